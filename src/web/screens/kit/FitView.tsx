import { KIT_ITEMS } from '../../../api/index.ts';
import { useRecordForm } from '../../components/form/useRecordForm.tsx';
import { numberLimits } from '../../components/limits.ts';
import { figure } from '../../../core/figures.ts';
import { Button, Checkbox, NumberInput, Select, Table, TextInput } from '@mantine/core';
import { SpokenHead } from '../../components/SpokenHead.tsx';
import { useMemo, useState } from 'react';
import {
  FITS,
  jointName,
  shimPlan,
  type DryFit,
  type Stance,
  fitRecord,
  stanceRecord,
  cornerHeight,
} from '../../../core/kit/index.ts';
import { JointFitList } from '../../components/JointFitList.tsx';
import { PlaceFitList } from '../../components/PlaceFitList.tsx';
import { fitsOfBuild } from '../../data/fits.ts';
import { changeKit } from '../../data/kit.ts';
import { newId } from '../../data/newId.ts';
import { useBuildContext } from '../../data/buildContext.ts';
import { GapsPanel } from './GapsPanel.tsx';
import { PlacesPanel } from './PlacesPanel.tsx';
import type { KitViewProps } from './kitView.ts';
import { RemoveButton } from '../../components/RemoveButton.tsx';

/** Test fits, what is left of them after paint, and four wheels on the ground. */
export function FitView({ build, kit }: KitViewProps) {
  const { products, codes, conditions } = useBuildContext();
  const [problem, setProblem] = useState<string | null>(null);
  const parts = useMemo(() => new Map(kit.parts.map((part) => [part.id, part])), [kit]);
  const { joints: fits, places } = useMemo(
    () => fitsOfBuild(build, kit, { products, codes, conditions }),
    [build, kit, products, codes, conditions],
  );
  const put = (fit: DryFit, label = 'dry fit') =>
    changeKit(build.id, [{ kind: 'fit', id: fit.id, value: fit }], label).then(() => setProblem(null));
  const save = (fit: DryFit, label?: string) =>
    void put(fit, label).catch((error: unknown) => setProblem((error as Error).message));
  const bad = fits.some(({ forecast: { verdict } }) => verdict === 'tight' || verdict === 'will not go');
  return (
    <>
      <section className="column" aria-label="What you decide">
        <h2>Fitted dry</h2>
        {problem && <p role="alert">{problem}</p>}
        <div className="panel">
          {kit.fits.length === 0 ? (
            <p className="soft">
              Fit everything that must move, enclose or align while it is bare, and write down how it went:
              every coat thickens both faces.
            </p>
          ) : (
            <Table className="plainlist">
              <Table.Thead>
                <Table.Tr>
                  <Table.Th>Joint</Table.Th>
                  <Table.Th>Fits</Table.Th>
                  <Table.Th className="num">mm</Table.Th>
                  <Table.Th>Moves</Table.Th>
                  <Table.Th>What was done</Table.Th>
                  <SpokenHead>Remove</SpokenHead>
                </Table.Tr>
              </Table.Thead>
              <Table.Tbody>
                {kit.fits.map((fit) => {
                  const joint = kit.joints.find(({ id }) => id === fit.jointId);
                  return (
                    <Table.Tr key={fit.id}>
                      <Table.Td>
                        {joint ? jointName(joint, parts) : 'a joint that is gone'}
                        {fit.stage === 'painted' && <span className="soft small"> after paint</span>}
                      </Table.Td>
                      <Table.Td>
                        <Select
                          size="xs"
                          w={86}
                          aria-label="How it fits"
                          data={[...FITS]}
                          value={fit.feel}
                          onChange={(value) => value && save({ ...fit, feel: value })}
                        />
                      </Table.Td>
                      <Table.Td className="num mono">{fit.clearanceMm ?? ''}</Table.Td>
                      <Table.Td>
                        <Checkbox
                          aria-label="Motion checked"
                          checked={fit.motionChecked}
                          onChange={(event) => save({ ...fit, motionChecked: event.currentTarget.checked })}
                        />
                      </Table.Td>
                      <Table.Td className="small">{fit.done}</Table.Td>
                      <Table.Td>
                        <RemoveButton
                          name="Remove this fit"
                          onRemove={() =>
                            void changeKit(
                              build.id,
                              [{ kind: 'fit', id: fit.id, value: null }],
                              'remove a fit',
                            )
                          }
                        />
                      </Table.Td>
                    </Table.Tr>
                  );
                })}
              </Table.Tbody>
            </Table>
          )}
          <NewFit kit={kit} onAdd={(fit) => put({ ...fit, id: newId(build.id) })} />
        </div>
        <h2>Holes, slots and lines</h2>
        <PlacesPanel build={build} kit={kit} />
        <h2>Gaps</h2>
        <GapsPanel build={build} kit={kit} />
        <h2>Stance</h2>
        <StancePanel build={build} kit={kit} onProblem={setProblem} />
      </section>
      <section className="column" aria-label="What follows">
        <h2>What follows</h2>
        <div className={`panel${bad ? ' warned' : ''}`}>
          <h3>After paint</h3>
          {fits.length === 0 && (
            <p className="soft small">
              Give joints that are made after paint a clearance, or fit them dry: film is then taken off both
              faces.
            </p>
          )}
          <JointFitList fits={fits} />
        </div>
        {places.length > 0 && (
          <div className={`panel${places[0]!.forecast.verdict === 'stays' ? '' : ' warned'}`}>
            <h3>Holes and lines after paint</h3>
            <PlaceFitList fits={places} />
          </div>
        )}
      </section>
    </>
  );
}

function NewFit({
  kit,
  onAdd,
}: Pick<KitViewProps, 'kit'> & { onAdd: (fit: Omit<DryFit, 'id'>) => Promise<void> }) {
  const parts = new Map(kit.parts.map((part) => [part.id, part]));
  const { text, number, pick, problem, submit } = useRecordForm(fitRecord.fields, KIT_ITEMS.fit, {
    start: { feel: 'snug' },
    asks: { jointId: 'Say which joint was fitted.' },
  });
  return (
    <form
      className="toolrow mt10"

      onSubmit={submit(onAdd, ['jointId', 'clearanceMm', 'done'])}
    >
      <Select
        size="xs"
        className="grow"
        searchable
        label="Joint"
        placeholder="which joint was fitted"
        data={kit.joints.map((joint) => ({ value: joint.id, label: jointName(joint, parts) }))}
        {...pick('jointId')}
      />
      <Select size="xs" w={92} label="Fits" data={[...FITS]} {...pick('feel')} />
      <NumberInput size="xs" w={86} label="Gap, mm" step={0.05} decimalScale={2} {...number('clearanceMm')} />
      <Select size="xs" w={92} label="When" data={['bare', 'painted']} {...pick('stage')} />
      <TextInput size="xs" className="grow" label="What was done" {...text('done')} />
      <Button type="submit" style={{ alignSelf: 'end', padding: '3px 10px' }}>
        Write it down
      </Button>
      {problem}
    </form>
  );
}

const CORNERS = ['Front left', 'Front right', 'Rear left', 'Rear right'] as const;

function StancePanel({
  build,
  kit,
  onProblem,
}: Pick<KitViewProps, 'build' | 'kit'> & { onProblem: (problem: string | null) => void }) {
  const stance: Stance = kit.stances[0] ?? {
    id: `${build.id}-stance`,
    heightsMm: [20, 20, 20, 20],
    rakeMm: 0,
    shimsMm: [0.13, 0.25, 0.5],
    note: '',
  };
  const save = (change: Partial<Stance>) =>
    void changeKit(build.id, [{ kind: 'stance', id: stance.id, value: { ...stance, ...change } }], 'stance')
      .then(() => onProblem(null))
      .catch((error: unknown) => onProblem((error as Error).message));
  const plan = kit.stances[0] && shimPlan(stance);
  const corner = (at: number) => (
    <div>
      <NumberInput
        size="xs"
        label={`${CORNERS[at]!}, mm`}
        key={stance.heightsMm[at]}
        defaultValue={stance.heightsMm[at]}
        {...numberLimits(cornerHeight)}
        step={0.1}
        decimalScale={2}
        onBlur={(event) => {
          const height = Number(event.currentTarget.value);
          if (!(height >= 0) || height === stance.heightsMm[at]) return;
          const heightsMm = stance.heightsMm.map((old, index) => (index === at ? height : old));
          save({ heightsMm: heightsMm as Stance['heightsMm'] });
        }}
      />
      {plan && (
        <p className="small mono">
          {plan.shims[at]!.length > 0 ? `+ ${plan.shims[at]!.join(' + ')} = ` : ''}
          {figure(plan.heightsMm[at]!, 'mm')}
        </p>
      )}
    </div>
  );
  return (
    <div className="panel">
      <div style={{ display: 'grid', gridTemplateColumns: '1fr 130px 1fr', gap: 14, alignItems: 'center' }}>
        <div style={{ display: 'grid', gap: 46 }}>
          {corner(0)}
          {corner(2)}
        </div>
        <svg
          viewBox="0 0 130 200"
          width={130}
          role="img"
          aria-label="The chassis from above, front at the top"
        >
          <path
            d="M40 18 h50 q8 0 8 10 v144 q0 12 -10 12 h-46 q-10 0 -10 -12 v-144 q0 -10 8 -10z"
            fill="none"
            stroke="var(--line-strong)"
            strokeWidth={2}
          />
          {[0, 1, 2, 3].map((at) => {
            const sheets = plan?.shims[at] ?? [];
            return (
              <g key={at} transform={`translate(${at % 2 ? 98 : 18},${at > 1 ? 130 : 36})`}>
                <rect width={14} height={36} rx={4} fill="var(--ink)" />
                {sheets.map((_, index) => (
                  <rect key={index} x={-2} y={38 + 5 * index} width={18} height={3} fill="var(--ink-soft)" />
                ))}
              </g>
            );
          })}
          <text x={65} y={98} textAnchor="middle" fontSize={11} fill="var(--ink-soft)">
            {plan ? 'twist' : 'not yet'}
          </text>
          <text x={65} y={113} textAnchor="middle" fontSize={11} fill="var(--ink-soft)">
            {plan ? figure(plan.twistMm, 'mm') : 'measured'}
          </text>
        </svg>
        <div style={{ display: 'grid', gap: 46 }}>
          {corner(1)}
          {corner(3)}
        </div>
      </div>
      <div className="toolrow mt12">
        <NumberInput
          size="xs"
          w={150}
          label="Rear higher by, mm"
          key={`rake ${stance.rakeMm}`}
          defaultValue={stance.rakeMm}
          {...numberLimits(stanceRecord.fields.rakeMm)}
          step={0.1}
          decimalScale={2}
          onBlur={(event) => {
            const rakeMm = Number(event.currentTarget.value);
            if (Number.isFinite(rakeMm) && rakeMm !== stance.rakeMm) save({ rakeMm });
          }}
        />
        <TextInput
          size="xs"
          className="grow"
          label="Sheets on hand, mm"
          key={stance.shimsMm.join()}
          defaultValue={stance.shimsMm.join(', ')}
          onBlur={(event) => {
            const text = event.currentTarget.value;
            if (text === stance.shimsMm.join(', ')) return;
            const sheets = text
              .split(/[,;\s]+/)
              .filter(Boolean)
              .map(Number);
            if (sheets.some((sheet) => !(sheet > 0)))
              onProblem(`“${text}” is no list of thicknesses like “0.25, 0.5”; the old one was kept.`);
            else save({ shimsMm: sheets });
          }}
        />
      </div>
      {plan ? (
        <p className="mt8">
          <b>{plan.words}</b>{' '}
          <span className="soft">
            What is left: <span className="mono">{figure(plan.residualMm, 'mm')}</span> (root mean square of
            the four corners).
          </span>
        </p>
      ) : (
        <p className="soft mt8">
          Tape all four wheels on, stand it on the bench, and measure each corner; the shims are worked out
          from the sheets on hand.
        </p>
      )}
    </div>
  );
}
