import { CARPET_FACTS, CARPET_WAYS } from '../../../../core/cabin/index.ts';
import { labToDisplay } from '../../../../core/colour/index.ts';
import { figure } from '../../../../core/figures.ts';
import {
  carpetPlan,
  carpetRecord,
  cloggedBy,
  newRecord,
  type Carpet,
  type Kit,
} from '../../../../core/kit/index.ts';
import { worked } from '../../../../core/worked.ts';
import { ChoiceSelect } from '../../../components/form/ChoiceSelect.tsx';
import { Spoon } from '../../../components/Spoon.tsx';
import { ColoursForm } from '../ColoursForm.tsx';
import { DetailList, type DetailTools } from '../DetailList.tsx';
import type { DetailViewProps } from '../detailView.ts';
import { Fault } from '../Fault.tsx';
import { OpenFigure } from '../OpenFigure.tsx';
import { WordsInput } from '../WordsInput.tsx';
import { RecordCard } from '../RecordCard.tsx';

const { fields } = carpetRecord;
const COLOURS = [
  ['fibre', 'Fibres, or the cloth'],
  ['ground', 'Paint under them'],
  ['wanted', 'Wanted'],
  ['over', 'Paint dry-brushed over'],
  ['patch', 'Test patch, read back'],
] as const;

/** Carpets: how much flock, the shade of the pile, and what brings it to the colour that is wanted. */
export const CarpetView = ({ build, kit }: DetailViewProps) => (
  <DetailList<Carpet>
    buildId={build.id}
    kind="carpet"
    title="Carpet"
    all={kit.carpets}
    fresh={newRecord(carpetRecord)}
    word="Carpet"
    addWords="Add a carpet"
    teaches="A pile looks darker than its fibres: light is lost between them. Give the colours, and Fanfare says how it will look, which paint under or over it brings it to what you want, and what must be plugged before."
    nothing="No carpet yet."
    decide={(carpet, tools) => (
      <RecordCard
        record={carpet}
        fields={fields}
        kit={kit}
        partLabel="Lies on"
        figures={[['fibreMm', 'Fibres, mm long']]}
        {...tools}
      >
        <CarpetChoices carpet={carpet} {...tools} />
      </RecordCard>
    )}
    follows={(carpet) => <CarpetFollows carpet={carpet} kit={kit} scale={build.scale} />}
  />
);

type ChangeCarpet = Pick<DetailTools<Carpet>, 'onChange'>;

function CarpetChoices({ carpet, onChange }: { carpet: Carpet } & ChangeCarpet) {
  return (
    <>
      <ChoiceSelect
        label="Its way"
        mt={6}
        values={CARPET_WAYS}
        words={{
          flock: CARPET_FACTS.flock.name,
          'paper-tape': CARPET_FACTS['paper-tape'].name,
          'printed-cloth': CARPET_FACTS['printed-cloth'].name,
          'moulded-pile': CARPET_FACTS['moulded-pile'].name,
        }}
        value={carpet.way}
        onSave={(way) => onChange({ way })}
      />
      <OpenFigure
        label="Its area, cm²"
        placeholder="that of the part"
        field={fields.areaCm2}
        value={carpet.areaCm2}
        onSave={(areaCm2) => onChange({ areaCm2 })}
      />
      <ColoursForm record={carpet} colours={COLOURS} onChange={onChange} />
      <WordsInput
        label="Note"
        field={fields.note}
        value={carpet.note}
        onSave={(note) => onChange({ note })}
      />
    </>
  );
}

function CarpetFollows({ carpet, kit, scale }: { carpet: Carpet; kit: Kit; scale: number }) {
  const { answer: plan, fault } = worked(() => carpetPlan(carpet, kit));
  if (fault !== undefined) return <Fault name={carpet.name} fault={fault} />;
  const clogged = cloggedBy(carpet, kit);
  return (
    <div className="panel">
      <h3>{carpet.name}</h3>
      {plan.grams !== undefined && (
        <p>
          <b className="mono">{figure(plan.grams, 'g')}</b> of flock for{' '}
          <span className="mono">{figure(plan.areaCm2!, 'cm²')}</span>, a third of it shaken off again. Fibres
          of {figure(carpet.fibreMm, 'mm', 1)} stand for{' '}
          <span className="mono">{figure(carpet.fibreMm * scale, 'mm', 0)}</span>.
        </p>
      )}
      {plan.shade ? (
        <Shade plan={plan} wanted={carpet.wanted} shade={plan.shade} />
      ) : (
        <p className="soft small">
          Give the colours of the fibres and of what lies under them, and its shade follows.
        </p>
      )}
      {clogged.length > 0 && <p>Plug before and open after: {clogged.join(', ')}.</p>}
    </div>
  );
}

interface ShadeProps {
  plan: ReturnType<typeof carpetPlan>;
  wanted: string;
  shade: NonNullable<ReturnType<typeof carpetPlan>['shade']>;
}

/** How it will look beside what is wanted, and what brings it nearer. */
function Shade({ plan: { dE00, under, over, isLearnt }, wanted, shade }: ShadeProps) {
  return (
    <>
      <div className="onneutral">
        <Spoon
          hex={labToDisplay(shade).hex}
          gloss={5}
          width={64}
          label={`The pile: L ${figure(shade.L, 'L')}`}
          {...(wanted.startsWith('#') ? { splitHex: wanted } : {})}
        />
      </div>
      <p>
        {isLearnt ? 'By your test patch' : 'By usual depths of a pile'} it looks{' '}
        <span className="mono">L {figure(shade.L, 'L')}</span>
        {dE00 === undefined ? '.' : `, ${figure(dE00, 'dE')} from what is wanted.`}
      </p>
      {under && dE00 !== undefined && (
        <p>
          {under.dE00 < dE00 - 0.5 ? (
            <>
              Over a grey that reflects <b className="mono">{figure(100 * under.share, '%')}</b> it comes to{' '}
              <span className="mono">{figure(under.dE00, 'dE')}</span>.
            </>
          ) : (
            'No other grey under it brings it nearer.'
          )}
        </p>
      )}
      {over && dE00 !== undefined && (
        <p>
          {over.share > 0
            ? `With ${figure(100 * over.share, '%')} of the fibres painted over it comes to ${figure(over.dE00, 'dE')}.`
            : 'That paint over it brings it no nearer.'}
        </p>
      )}
    </>
  );
}
