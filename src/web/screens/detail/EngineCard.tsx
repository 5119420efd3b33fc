import { Button, Group, Select, SimpleGrid, Switch, TagsInput } from '@mantine/core';
import {
  engineFault,
  engineKind,
  enginePlaceFields,
  engineRecord,
  type Engine,
  type EnginePlace,
  type Kit,
} from '../../../core/kit/index.ts';
import { FigureInput } from '../../components/form/FigureInput.tsx';
import { InTurn } from '../../components/InTurn.tsx';
import { listLimit, textLimits } from '../../components/limits.ts';
import { RemoveButton } from '../../components/RemoveButton.tsx';
import { WordsInput } from './WordsInput.tsx';

interface EngineCardProps {
  engine: Engine;
  kit: Kit;
  kinds: readonly string[];
  onChange: (part: Partial<Engine>) => void;
  onRemove: () => void;
}

const { fields } = engineRecord;
const KIND_LIMIT = textLimits(engineKind(''));
/** What engines are usually put together from: a start, to be changed. */
const USUAL: readonly (readonly [place: string, kinds: readonly string[], seen: boolean])[] = [
  ['block', ['block'], true],
  ['heads', ['head', 'head with manifold'], true],
  ['sump', ['sump'], false],
  ['intake', ['intake'], true],
  ['carburettors', ['carburettor'], true],
  ['ignition', ['distributor', 'magneto'], true],
  ['covers', ['rocker cover'], true],
  ['front', ['fan', 'belt drive'], true],
];

/** What one engine is put together from. */
export function EngineCard({ engine, kit, kinds, onChange, onRemove }: EngineCardProps) {
  const fault = engineFault(engine);
  const put = (at: number, part: Partial<EnginePlace>) =>
    onChange({ slots: engine.slots.map((slot, each) => (each === at ? { ...slot, ...part } : slot)) });
  const options = kit.choices.flatMap(({ name, options: all }) =>
    all.map((option) => ({ value: option.id, label: `${name}: ${option.name}` })),
  );
  return (
    <section className="panel" aria-label={engine.name}>
      <div className="toolrow apart">
        <WordsInput
          label="Name"
          field={fields.name}
          value={engine.name}
          onSave={(name) => onChange({ name })}
        />
        <RemoveButton name={`Take out ${engine.name}`} onRemove={onRemove} />
      </div>
      <SimpleGrid cols={{ base: 2, sm: 3 }} spacing="xs">
        <FigureInput
          label="Wanted, 1 to 9"
          field={fields.worth}
          value={engine.worth}
          onSave={(worth) => onChange({ worth })}
        />
        <FigureInput
          label="How many at most"
          field={fields.most}
          value={engine.most}
          onSave={(most) => onChange({ most })}
        />
        <Select
          size="xs"
          label="In the version it is"
          placeholder="an option of its own"
          clearable
          data={options}
          value={engine.optionId}
          onChange={(optionId) => onChange({ optionId })}
        />
      </SimpleGrid>
      {engine.slots.map((slot, at) => (
        <InTurn key={at} at={at}>
          {() => (
            <EnginePlaceRow
              isFirst={at === 0}
              slot={slot}
              kinds={kinds}
              onChange={(part) => put(at, part)}
              onRemove={() => onChange({ slots: engine.slots.filter((_, each) => each !== at) })}
            />
          )}
        </InTurn>
      ))}
      <Group gap="xs" mt={8}>
        <Button
          size="xs"
          variant="default"
          disabled={engine.slots.length >= listLimit(fields.slots)}
          onClick={() =>
            onChange({
              slots: [...engine.slots, { name: freePlace(engine.slots), kinds: [], count: 1, seen: true }],
            })
          }
        >
          Add a place
        </Button>
        {engine.slots.length === 0 && (
          <Button
            size="xs"
            variant="default"
            onClick={() =>
              onChange({
                slots: USUAL.map(([name, usual, seen]) => ({ name, kinds: [...usual], count: 1, seen })),
              })
            }
          >
            Start with the usual places
          </Button>
        )}
      </Group>
      <Apart engine={engine} onChange={onChange} />
      {fault !== null && (
        <p role="alert" className="small mt8">
          {fault} Until then it is not counted.
        </p>
      )}
    </section>
  );
}

function freePlace(slots: readonly EnginePlace[]): string {
  for (let at = slots.length + 1; ; at++)
    if (!slots.some(({ name }) => name === `place ${at}`)) return `place ${at}`;
}

interface EnginePlaceRowProps {
  /** Under the heads of the columns. */
  isFirst: boolean;
  slot: EnginePlace;
  kinds: readonly string[];
  onChange: (part: Partial<EnginePlace>) => void;
  onRemove: () => void;
}

/** One place on the engine, and what fits it. */
function EnginePlaceRow({ isFirst, slot, kinds, onChange, onRemove }: EnginePlaceRowProps) {
  /** Only the first row shows what the columns are; each says it. */
  const headed = (label: string, of: string) =>
    isFirst ? { label, 'aria-label': `${label}: ${of}` } : { 'aria-label': `${label}: ${of}` };
  return (
    <div className="engineplace">
      <WordsInput
        {...headed('Place', slot.name)}
        field={enginePlaceFields.name}
        value={slot.name}
        onSave={(name) => onChange({ name })}
      />
      <TagsInput
        size="xs"
        {...headed('What fits it', slot.name)}
        placeholder={slot.kinds.length === 0 ? 'type a kind, then Enter' : undefined}
        data={[...kinds]}
        maxTags={listLimit(enginePlaceFields.kinds)}
        acceptValueOnBlur
        value={slot.kinds}
        onChange={(next) =>
          onChange({ kinds: next.map((kind) => kind.trim().slice(0, KIND_LIMIT.maxLength)).filter(Boolean) })
        }
      />
      <FigureInput
        {...headed('Takes', slot.name)}
        field={enginePlaceFields.count}
        value={slot.count}
        onSave={(count) => onChange({ count })}
      />
      <Switch
        size="xs"
        label="seen"
        aria-label={`${slot.name} is seen`}
        checked={slot.seen}
        onChange={({ currentTarget: { checked } }) => onChange({ seen: checked })}
      />
      <RemoveButton name={`Take out ${slot.name}`} onRemove={onRemove} />
    </div>
  );
}

/** Kinds that never stand on it together. */
function Apart({ engine, onChange }: Pick<EngineCardProps, 'engine' | 'onChange'>) {
  const kinds = [...new Set(engine.slots.flatMap((slot) => slot.kinds))];
  if (kinds.length < 2) return null;
  const pick = (label: string) => ({ size: 'xs' as const, label, data: kinds, allowDeselect: false });
  return (
    <>
      {engine.apart.map(({ one, other }, at) => (
        <Group key={at} gap="xs" mt={6} align="end">
          <Select
            {...pick('Never together:')}
            value={one}
            onChange={(next) => next !== null && next !== other && change(at, { one: next, other })}
          />
          <Select
            {...pick('and')}
            value={other}
            onChange={(next) => next !== null && next !== one && change(at, { one, other: next })}
          />
          <RemoveButton
            name={`Let ${one} and ${other} stand together`}
            onRemove={() => onChange({ apart: engine.apart.filter((_, each) => each !== at) })}
          />
        </Group>
      ))}
      <Button
        size="xs"
        variant="default"
        mt={6}
        disabled={engine.apart.length >= listLimit(fields.apart)}
        onClick={() => onChange({ apart: [...engine.apart, { one: kinds[0]!, other: kinds[1]! }] })}
      >
        Two kinds that never stand together
      </Button>
    </>
  );

  function change(at: number, pair: Engine['apart'][number]) {
    onChange({ apart: engine.apart.map((each, place) => (place === at ? pair : each)) });
  }
}
