import { Checkbox, Group } from '@mantine/core';
import { labToDisplay } from '../../../../core/colour/index.ts';
import { figure } from '../../../../core/figures.ts';
import {
  LAMP_GLASSES,
  lampOf,
  lampRecord,
  newRecord,
  REFLECTORS,
  type Lamp,
} from '../../../../core/kit/index.ts';
import { lampMade } from '../../../../core/plan/index.ts';
import { worked } from '../../../../core/worked.ts';
import { ChoiceSelect } from '../../../components/form/ChoiceSelect.tsx';
import { Spoon } from '../../../components/Spoon.tsx';
import { ColoursForm } from '../ColoursForm.tsx';
import { DetailList, type DetailTools } from '../DetailList.tsx';
import type { DetailViewProps } from '../detailView.ts';
import { Fault } from '../Fault.tsx';
import { RecordCard } from '../RecordCard.tsx';
import { WordsInput } from '../WordsInput.tsx';

const { fields } = lampRecord;
const COLOUR = [['colour', 'Colour of its light, empty for clear']] as const;
const BEHIND = {
  plating: 'its plating',
  foil: 'foil',
  'chrome-ink': 'chrome ink',
  silver: 'silver',
  none: 'nothing',
} as const;
const GLASS = { part: 'a clear part', drop: 'a drop of clear', painted: 'paint alone' } as const;

/** Lamps: reflector, the tint over it, the ring. */
export const LampsView = ({ build, kit }: DetailViewProps) => (
  <DetailList<Lamp>
    buildId={build.id}
    kind="lamp"
    title="Lamps"
    all={kit.lamps}
    fresh={newRecord(lampRecord)}
    word="Lamp"
    addWords="Add a lamp"
    teaches="A lamp is bright from behind. Say what lies behind its glass and the colour of its light, and Fanfare counts the passes of clear colour over it."
    nothing="No lamp yet."
    decide={(lamp, tools) => (
      <RecordCard
        record={lamp}
        fields={fields}
        kit={kit}
        partLabel="Its glass, or the lamp"
        figures={[['count', 'How many alike']]}
        {...tools}
        after={<LampChoices lamp={lamp} {...tools} />}
      />
    )}
    follows={(lamp) => <LampFollows lamp={lamp} />}
  />
);

const LampChoices = ({ lamp, onChange }: { lamp: Lamp } & Pick<DetailTools<Lamp>, 'onChange'>) => (
  <>
    <Group gap="xs" grow mt={6}>
      <ChoiceSelect
        label="Behind its glass"
        values={REFLECTORS}
        words={BEHIND}
        value={lamp.reflector}
        onSave={(reflector) => onChange({ reflector })}
      />
      <ChoiceSelect
        label="Its glass is"
        values={LAMP_GLASSES}
        words={GLASS}
        value={lamp.glass}
        onSave={(glass) => onChange({ glass })}
      />
    </Group>
    <Checkbox
      size="xs"
      mt={6}
      label="It has a bright ring"
      checked={lamp.bezel}
      onChange={({ currentTarget: { checked } }) => onChange({ bezel: checked })}
    />
    <ColoursForm record={lamp} colours={COLOUR} onChange={onChange} />
    <WordsInput label="Note" field={fields.note} value={lamp.note} onSave={(note) => onChange({ note })} />
  </>
);

function LampFollows({ lamp }: { lamp: Lamp }) {
  const { answer, fault } = worked(() => ({ look: lampOf(lamp), lines: lampMade(lamp).details }));
  if (fault !== undefined) return <Fault name={lamp.name} fault={fault} />;
  const { look, lines } = answer;
  return (
    <div className="panel">
      <h3>{lamp.name}</h3>
      <div className="onneutral">
        <Spoon
          hex={labToDisplay(look.shade).hex}
          gloss={85}
          width={64}
          label={`${lamp.name}: L ${figure(look.shade.L, 'L')}`}
          {...(lamp.colour.startsWith('#') ? { splitHex: lamp.colour } : {})}
        />
      </div>
      {look.tint && look.tint.dE00 > 6 && (
        <p className="finding warn">
          No clear colour over {BEHIND[lamp.reflector]} comes nearer than {figure(look.tint.dE00, 'dE')}: a
          brighter reflector or another colour would.
        </p>
      )}
      {lines.map((line) => (
        <p key={line} className="small">
          {line}
        </p>
      ))}
    </div>
  );
}
