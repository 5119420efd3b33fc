import { Autocomplete, SimpleGrid } from '@mantine/core';
import { MAKE_FACTS, RUN_FACTS, RUN_MAKES } from '../../../core/detail/index.ts';
import {
  makeOfRun,
  RUN_COVERS,
  RUN_ENDS,
  runName,
  runRecord,
  type Kit,
  type Run,
  type RunEnd,
} from '../../../core/kit/index.ts';
import { ChoiceSelect } from '../../components/form/ChoiceSelect.tsx';
import { FigureInput } from '../../components/form/FigureInput.tsx';
import { textLimits } from '../../components/limits.ts';
import { RemoveButton } from '../../components/RemoveButton.tsx';
import { OpenFigure } from './OpenFigure.tsx';
import { WordsInput } from './WordsInput.tsx';
import { RunPast } from './RunPast.tsx';

const { fields } = runRecord;

const END_WORDS: Readonly<Record<RunEnd, string>> = {
  plain: 'a hole',
  boot: 'a boot',
  clip: 'a clip of foil',
  banjo: 'a banjo fitting',
  plug: 'a connector',
  bleed: 'a bleed fitting',
  unseen: 'no hole: unseen',
};
const COVER_WORDS = { bare: 'bare', braid: 'braided', wrap: 'wound with tape' } as const;
const MAKES = ['usual', ...RUN_MAKES] as const;

interface RunCardProps {
  run: Run;
  kit: Kit;
  /** Names of the bundles there are. */
  bundles: readonly string[];
  onChange: (part: Partial<Run>, label: string) => void;
  onRemove: () => void;
}

/** One wire or pipe: how many, how thick, how it ends; how it is led and how it looks. */
export function RunCard({ run, kit, bundles, onChange, onRemove }: RunCardProps) {
  const { realMm, look } = RUN_FACTS[run.kind];
  const name = runName({ ...run, count: 1 }, kit);
  const usual = MAKE_FACTS[makeOfRun({ kind: run.kind })].short;
  return (
    <section className="panel stacked g8" aria-label={name}>
      <div className="toolrow apart">
        <b>{name}</b>
        <RemoveButton name={`Take out ${name}`} onRemove={onRemove} />
      </div>
      <SimpleGrid cols={{ base: 2, sm: 4 }} spacing="xs" verticalSpacing={4}>
        <FigureInput
          label="How many"
          field={fields.count}
          value={run.count}
          onSave={(count) => onChange({ count }, 'count of a run')}
        />
        <OpenFigure
          label="Real diameter, mm"
          placeholder={realMm[0] === realMm[1] ? `${realMm[0]}` : `${realMm[0]} to ${realMm[1]}`}
          field={fields.realMm}
          value={run.realMm}
          onSave={(value) => onChange({ realMm: value }, 'diameter of a run')}
        />
        <ChoiceSelect
          label="Begins with"
          values={RUN_ENDS}
          words={END_WORDS}
          value={run.fromEnd ?? 'plain'}
          onSave={(fromEnd) => onChange({ fromEnd }, 'fitting of a run')}
        />
        <ChoiceSelect
          label="Ends with"
          values={RUN_ENDS}
          words={END_WORDS}
          value={run.toEnd ?? 'plain'}
          onSave={(toEnd) => onChange({ toEnd }, 'fitting of a run')}
        />
        <OpenFigure
          label="Measured length, mm"
          placeholder="by its route"
          field={fields.lengthMm}
          value={run.lengthMm}
          onSave={(lengthMm) => onChange({ lengthMm }, 'length of a run')}
        />
        <FigureInput
          label="Slack, mm"
          field={fields.slackMm}
          value={run.slackMm ?? 0}
          onSave={(slackMm) => onChange({ slackMm }, 'slack of a run')}
        />
        <ChoiceSelect
          label="Made of"
          values={MAKES}
          words={{
            usual: `usual: ${usual}`,
            'metal-core': MAKE_FACTS['metal-core'].short,
            soft: MAKE_FACTS.soft.short,
            rod: MAKE_FACTS.rod.short,
          }}
          value={run.make ?? 'usual'}
          onSave={(make) => onChange({ make }, 'what a run is made of')}
        />
        <ChoiceSelect
          label="About it"
          values={RUN_COVERS}
          words={COVER_WORDS}
          value={run.cover ?? 'bare'}
          onSave={(cover) => onChange({ cover }, 'cover of a run')}
        />
      </SimpleGrid>
      <SimpleGrid cols={{ base: 1, sm: 3 }} spacing="xs" verticalSpacing={4}>
        <Autocomplete
          size="xs"
          label="Tied into"
          placeholder="no bundle"
          key={`bundle ${run.bundle}`}
          data={[...bundles]}
          defaultValue={run.bundle ?? ''}
          {...textLimits(fields.bundle)}
          onBlur={({ currentTarget: { value } }) =>
            value.trim() !== (run.bundle ?? '') && onChange({ bundle: value.trim() }, 'bundle of a run')
          }
        />
        <WordsInput
          label="Colour and sheen"
          placeholder={look}
          field={fields.look}
          value={run.look ?? ''}
          onSave={(look) => onChange({ look }, 'look of a run')}
        />
        <WordsInput
          label="Note"
          field={fields.note}
          value={run.note}
          onSave={(note) => onChange({ note }, 'note on a run')}
        />
      </SimpleGrid>
      <RunPast run={run} kit={kit} onChange={(past) => onChange({ past }, 'route of a run')} />
    </section>
  );
}
