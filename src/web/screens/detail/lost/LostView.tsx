import { Button, Group } from '@mantine/core';
import {
  lostFacts,
  newRecord,
  partLabel,
  replacementRecord,
  type Part,
  type Replacement,
} from '../../../../core/kit/index.ts';
import { useKitChange } from '../../../data/useKitChange.ts';
import { newId } from '../../../data/newId.ts';
import { AddFor } from '../AddFor.tsx';
import type { DetailViewProps } from '../detailView.ts';
import { DetailList } from '../DetailList.tsx';
import { useSeen } from '../useSeen.ts';
import { LostCard } from './LostCard.tsx';
import { WaysBack } from './WaysBack.tsx';

/** Parts that are lost or broken: what they were, and the ways in which they come back. */
export function LostView({ build, kit, stock }: DetailViewProps) {
  const { problem, change } = useKitChange(build.id);
  const { newest: seen } = useSeen(kit.replacements.length > 0 ? kit : undefined, build.scale);
  const guessed = new Set(
    seen?.placed.flatMap(({ partId, guessed: isGuessed }) => (isGuessed ? [partId] : [])),
  );
  const shares = new Map(
    seen?.shares.map(({ id, share }) => [id, { share, guessed: guessed.has(id) }] as const),
  );
  const open = kit.parts.filter(
    ({ id, state }) => state === 'lost' && !kit.replacements.some(({ partId }) => partId === id),
  );
  const add = (part: Part) => {
    const { lengthMm } = lostFacts(part, kit);
    const value: Omit<Replacement, 'id'> = {
      ...newRecord(replacementRecord),
      name: part.name,
      partId: part.id,
      count: part.count,
      lengthMm: lengthMm ?? 0,
      sizeFrom: lengthMm === null ? 'not known' : part.lengthMm === null ? 'twin' : 'box',
    };
    change([{ kind: 'replacement', id: newId(build.id), value }], `lost: ${part.name.toLowerCase()}`);
  };
  return (
    <DetailList<Replacement>
      buildId={build.id}
      kind="replacement"
      title="Lost and made"
      all={kit.replacements}
      fresh={newRecord(replacementRecord)}
      word="Small part"
      addWords="Add one that is no part of the list"
      teaches="A part flew off the tweezers, came broken, or was never in the box: say which. Its place in the plan waits for it; spares, post, stock and print stand side by side with what each takes."
      nothing="Nothing to bring back."
      decide={(replacement, tools) => <LostCard replacement={replacement} kit={kit} {...tools} />}
      follows={(replacement, tools) => (
        <WaysBack
          buildId={build.id}
          replacement={replacement}
          kit={kit}
          spares={stock.spares}
          seen={shares.get(replacement.partId ?? '')}
          onChange={tools.onChange}
        />
      )}
    >
      {problem && <p role="alert">{problem}</p>}
      {open.length > 0 && (
        <div className="panel stacked g8">
          <p>Lost from this box, and nothing said of how they come back:</p>
          <Group gap="xs">
            {open.map((part) => (
              <Button key={part.id} size="xs" variant="default" onClick={() => add(part)}>
                {partLabel(part)} {part.name}
              </Button>
            ))}
          </Group>
        </div>
      )}
      <div className="panel">
        <AddFor
          kit={kit}
          label="A part that is lost or broken"
          onAdd={(partId) => {
            const part = kit.parts.find(({ id }) => id === partId);
            if (part) add(part);
          }}
        />
      </div>
    </DetailList>
  );
}
