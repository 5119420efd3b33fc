import { EFFECT_FACTS, EFFECTS } from '../../../../core/cabin/index.ts';
import { labToDisplay } from '../../../../core/colour/index.ts';
import { figure } from '../../../../core/figures.ts';
import {
  alikeEffects,
  effectOf,
  effectRecord,
  newRecord,
  type Effect,
  type Kit,
} from '../../../../core/kit/index.ts';
import { effectMade } from '../../../../core/plan/index.ts';
import { worked } from '../../../../core/worked.ts';
import { ChoiceSelect } from '../../../components/form/ChoiceSelect.tsx';
import { Spoon } from '../../../components/Spoon.tsx';
import { ColoursForm } from '../ColoursForm.tsx';
import { DetailList, type DetailTools } from '../DetailList.tsx';
import type { DetailViewProps } from '../detailView.ts';
import { Fault } from '../Fault.tsx';
import { OpenFigure } from '../OpenFigure.tsx';
import { RecordCard } from '../RecordCard.tsx';
import { WordsInput } from '../WordsInput.tsx';

const { fields } = effectRecord;
const COLOURS = [
  ['base', 'Base coat'],
  ['wanted', 'Wanted'],
] as const;
const NAMES = Object.fromEntries(EFFECTS.map((id) => [id, EFFECT_FACTS[id].name])) as Record<
  Effect['effect'],
  string
>;

/** Leather, vinyl, cloth and wood: what they are built from, and how they will look. */
export const EffectsView = ({ build, kit }: DetailViewProps) => (
  <DetailList<Effect>
    buildId={build.id}
    kind="effect"
    title="Leather, cloth and wood"
    all={kit.effects}
    fresh={newRecord(effectRecord)}
    word="Piece"
    addWords="Add a piece"
    teaches="Name what a piece is to look like and give its base coat. Fanfare predicts the colour that eyes make of it, seams and rubbed places included, finds the passes of clear colour, and says which pattern is too fine for the scale."
    nothing="No piece yet."
    decide={(effect, tools) => (
      <RecordCard record={effect} fields={fields} kit={kit} partLabel="The part" figures={[]} {...tools}>
        <EffectChoices effect={effect} {...tools} />
      </RecordCard>
    )}
    follows={(effect) => <EffectFollows effect={effect} kit={kit} scale={build.scale} />}
  />
);

function EffectChoices({ effect, onChange }: { effect: Effect } & Pick<DetailTools<Effect>, 'onChange'>) {
  const { tint } = EFFECT_FACTS[effect.effect];
  return (
    <>
      <ChoiceSelect
        label="It is to look like"
        mt={6}
        values={EFFECTS}
        words={NAMES}
        value={effect.effect}
        onSave={(value) => onChange({ effect: value })}
      />
      {tint && (
        <OpenFigure
          label="Passes of its tint"
          placeholder="what comes nearest"
          field={fields.passes}
          value={effect.passes}
          onSave={(passes) => onChange({ passes })}
        />
      )}
      <ColoursForm record={effect} colours={COLOURS} onChange={onChange} />
      <WordsInput
        label="Note"
        field={fields.note}
        value={effect.note}
        onSave={(note) => onChange({ note })}
      />
    </>
  );
}

function EffectFollows({ effect, kit, scale }: { effect: Effect; kit: Kit; scale: number }) {
  const { answer, fault } = worked(() => ({
    look: effectOf(effect, kit, scale),
    lines: effectMade(effect, kit, scale).details,
  }));
  if (fault !== undefined) return <Fault name={effect.name} fault={fault} />;
  const { look, lines } = answer;
  const twin = alikeEffects(kit, scale).find(({ a, b }) => a.id === effect.id || b.id === effect.id);
  return (
    <div className="panel">
      <h3>{effect.name}</h3>
      {look ? (
        <>
          <div className="onneutral">
            <Spoon
              hex={labToDisplay(look.shade).hex}
              gloss={look.gloss}
              width={64}
              label={`${effect.name}: L ${figure(look.shade.L, 'L')}`}
              {...(effect.wanted.startsWith('#') ? { splitHex: effect.wanted } : {})}
            />
          </div>
          <p>
            {look.passes > 0 && `After ${look.passes} ${look.passes === 1 ? 'pass' : 'passes'} `}
            <span className="mono">L {figure(look.shade.L, 'L')}</span>, {figure(look.gloss, 'GU')} of gloss
            {look.dE00 === undefined ? '.' : `, ${figure(look.dE00, 'dE')} from what is wanted.`}
          </p>
        </>
      ) : (
        <p className="soft small">Give its base coat, and how it will look follows.</p>
      )}
      {lines.map((line) => (
        <p key={line} className="small">
          {line}
        </p>
      ))}
      {twin && (
        <p className="finding warn">
          {figure(twin.dE00, 'dE')} from {(twin.a.id === effect.id ? twin.b : twin.a).name.toLowerCase()}: as
          if from one piece. Give one a pass more or less.
        </p>
      )}
    </div>
  );
}
