import { Checkbox, Select } from '@mantine/core';
import { FREEING, MOVES, type Moves } from '../../../../core/cabin/index.ts';
import { movingThings, newRecord, tryoutRecord, type MovingThing } from '../../../../core/kit/index.ts';
import { newId } from '../../../data/newId.ts';
import type { DetailViewProps } from '../detailView.ts';
import { usePutRecord } from '../useDetailRecords.ts';

const WORDS: Readonly<Record<Moves, string>> = {
  freely: 'moves freely',
  stiffly: 'moves stiffly',
  not: 'no longer moves',
};

/** Hoods, doors, wheels and steering: tried last, and what to try on what no longer moves. */
export function MovesView({ build, kit }: DetailViewProps) {
  const { problem, put } = usePutRecord(build.id, 'tryout');
  const things = movingThings(kit);
  const save = ({ joint, name, moves, tried }: MovingThing, part: { moves?: Moves; tried?: string[] }) => {
    const known = kit.tryouts.findLast(({ jointId }) => jointId === joint.id);
    put(
      known?.id ?? newId(build.id),
      {
        ...newRecord(tryoutRecord),
        ...known,
        jointId: joint.id,
        moves: moves ?? 'freely',
        tried,
        ...part,
      },
      `trial of ${name}`,
    );
  };
  const stuck = things.filter(({ moves }) => moves !== null && moves !== 'freely');
  return (
    <>
      <section className="column" aria-label="What you decide">
        <h2>What moves</h2>
        {problem && <p role="alert">{problem}</p>}
        {things.length === 0 && (
          <p className="panel soft">
            No joint is to move. Say with the joints in the Kit stage which of them turn, swing, slide or come
            off; then each is tried last, while it can still be freed.
          </p>
        )}
        {things.length > 0 && (
          <div className="panel stacked g8">
            {things.map((thing) => (
              <Select
                key={thing.joint.id}
                size="xs"
                label={`${thing.name}: ${thing.motion.replace('-', ' ')}`}
                placeholder="not tried yet"
                allowDeselect={false}
                data={MOVES.map((value) => ({ value, label: WORDS[value] }))}
                value={thing.moves}
                onChange={(moves) => moves !== null && moves !== thing.moves && save(thing, { moves })}
              />
            ))}
          </div>
        )}
      </section>
      <section className="column" aria-label="What follows">
        <h2>What follows</h2>
        {stuck.length === 0 && (
          <p className="panel soft small">
            {things.some(({ moves }) => moves === null) || things.length === 0
              ? 'What was found to bind comes here, with what to try in order.'
              : 'Everything moves.'}
          </p>
        )}
        {stuck.map((thing) => (
          <Freeing key={thing.joint.id} thing={thing} onTried={(tried) => save(thing, { tried })} />
        ))}
      </section>
    </>
  );
}

/** Ways to free it, the gentlest first, ticked once they were tried. */
function Freeing({ thing, onTried }: { thing: MovingThing; onTried: (tried: string[]) => void }) {
  const { name, motion, moves, tried } = thing;
  const ways = FREEING[motion];
  return (
    <div className={`panel${moves === 'not' ? ' warned' : ''}`}>
      <h3>{name}</h3>
      {ways.map(({ id, how }) => (
        <Checkbox
          key={id}
          mt={6}
          size="xs"
          label={how}
          checked={tried.includes(id)}
          onChange={({ currentTarget: { checked } }) =>
            onTried(checked ? [...tried, id] : tried.filter((each) => each !== id))
          }
        />
      ))}
      {ways.every(({ id }) => tried.includes(id)) && (
        <p className="mt8">All of it was tried: live with it, and keep it as a lesson in the Kit stage.</p>
      )}
    </div>
  );
}
