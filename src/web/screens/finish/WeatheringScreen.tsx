import { Button, NativeSelect, Table, UnstyledButton } from '@mantine/core';
import { useMemo } from 'react';
import { Link, useParams } from 'react-router';
import { spectrumToDisplay } from '../../../core/colour/index.ts';
import {
  AMOUNTS,
  formatMinutes,
  LIVES,
  USUAL_LIFE,
  WEATHER_PLACES,
  weatheringPlan,
  weatherPlace,
  type Life,
  type WeatherPlace,
} from '../../../core/finish/index.ts';
import type { TrayRecord } from '../../../api/index.ts';
import { EmptyStage } from '../../components/EmptyStage.tsx';
import { Loading } from '../../components/Loading.tsx';
import { Spoon } from '../../components/Spoon.tsx';
import { saveTrays } from '../../data/bench.ts';
import { changeKit, useKit } from '../../data/kit.ts';
import { finishOf, useBuildContext } from '../../data/buildContext.ts';
import { isWeathered, stackChanges, unweathered, weathered } from './planned.ts';

/** The layers of every life in every place: what an earlier choice may have laid. */
const ALL_PLANS = LIVES.flatMap((life) =>
  WEATHER_PLACES.map((place) => weatheringPlan(life, [{ id: place, place }]).layers[place] ?? []),
);

const LIFE_WORDS: Readonly<Record<Life, string>> = {
  showroom: 'as it left the works',
  tidy: 'looked after',
  working: 'earns its keep',
  derelict: 'left in a field',
};

/** How hard a life the vehicle had, and what that means for every sub-assembly. */
export function WeatheringScreen() {
  const { build, products, codes, conditions, longestSession, ready, error } = useBuildContext();
  const { buildId } = useParams();
  const { kit, error: kitError } = useKit(buildId);
  const known = kit?.weathering[0];
  const trays = useMemo(
    () =>
      (build?.trays ?? []).map((tray) => ({
        tray,
        id: tray.id,
        place: known?.places[tray.id] ?? weatherPlace(tray.name),
      })),
    [build, known],
  );
  const life = known?.life ?? USUAL_LIFE;
  const plan = useMemo(() => weatheringPlan(life, trays), [life, trays]);
  if (!ready || !kit) return <Loading what="the weathering" error={error ?? kitError} />;
  if (!build) return <Loading what="the build" error={new Error('There is no build at this address.')} />;
  if (trays.length === 0) {
    return (
      <EmptyStage title="Nothing to weather yet" buildId={build.id}>
        Add sub-assemblies in the Kit stage; how hard a life they had is then planned here.
      </EmptyStage>
    );
  }
  const save = (change: { life?: Life; places?: Record<string, WeatherPlace> }, label: string) =>
    void changeKit(
      build.id,
      [
        {
          kind: 'weathering',
          id: known?.id ?? `${build.id}-weathering`,
          value: { life, places: known?.places ?? {}, ...change },
        },
      ],
      label,
    ).catch(() => undefined);
  const changes: { before: TrayRecord; after: TrayRecord }[] = [];
  const carried: TrayRecord[] = [];
  for (const { tray } of trays) {
    const added = plan.layers[tray.id] ?? [];
    // Of a life chosen before, that layer by layer as it was laid; what the builder changed since is his own.
    const bare = unweathered(tray.layers, ALL_PLANS);
    if (isWeathered(bare, added)) {
      carried.push(tray);
      continue;
    }
    const layers = weathered(bare, added);
    if (stackChanges(tray.layers, layers).some(({ what }) => what !== 'stays'))
      changes.push({ before: tray, after: { ...tray, layers } });
  }
  const look = (tray: (typeof trays)[number]['tray'], layers: typeof tray.layers) =>
    finishOf({ ...tray, layers }, build.scale, products, codes, conditions, { longestSession }).evaluation;
  // The same job on several sub-assemblies is one line.
  const jobs: (Omit<(typeof plan.items)[number], 'trayId'> & { names: string[] })[] = [];
  for (const { trayId, ...item } of plan.items) {
    const name = trays.find(({ id }) => id === trayId)!.tray.name;
    const same = jobs.find(
      ({ method, place, amount }) => method === item.method && place === item.place && amount === item.amount,
    );
    if (same) same.names.push(name);
    else jobs.push({ ...item, names: [name] });
  }
  const methods = [...new Set(plan.items.map(({ method }) => method))];
  return (
    <div className="columns lives">
      <section className="column" aria-label="What you know">
        <h2>Weathering</h2>
        <p>
          <Link to={`/build/${build.id}/finish`}>back to the stacks</Link>
        </p>
        <div role="radiogroup" aria-label="How hard a life" className="stacked g6">
          {LIVES.map((each) => (
            <UnstyledButton
              key={each}
              role="radio"
              className="panel choice"
              aria-checked={each === life}
              onClick={() => save({ life: each }, `a ${each} life`)}
            >
              <b>{each}</b>
              <span className="small soft block">{LIFE_WORDS[each]}</span>
            </UnstyledButton>
          ))}
        </div>
        <div className="panel stacked g6">
          <h3>What each one is</h3>
          {trays.map(({ tray, place }) => (
            <NativeSelect
              key={tray.id}
              size="xs"
              label={tray.name}
              data={[...WEATHER_PLACES]}
              value={place}
              onChange={({ currentTarget: { value } }) =>
                save(
                  { places: { ...known?.places, [tray.id]: value as WeatherPlace } },
                  `${tray.name} weathers as ${value}`,
                )
              }
            />
          ))}
        </div>
      </section>
      <section className="booth" aria-label="Booth">
        <h2>A {life} life, in the order of work</h2>
        {plan.items.length === 0 ? (
          <p>Nothing: everything stays as it left the works.</p>
        ) : (
          <Table className="plainlist same-ink">
            <Table.Thead>
              <Table.Tr>
                <Table.Th>What</Table.Th>
                <Table.Th>Where</Table.Th>
                <Table.Th>How much</Table.Th>
                <Table.Th>Because</Table.Th>
              </Table.Tr>
            </Table.Thead>
            <Table.Tbody>
              {jobs.map(({ method, place, amount, because, names }) => (
                <Table.Tr key={`${method.id} ${place} ${amount}`}>
                  <Table.Td className="nowrap">{method.name}</Table.Td>
                  <Table.Td className="wraps">{names.join(', ')}</Table.Td>
                  <Table.Td className="nowrap">{AMOUNTS[amount]}</Table.Td>
                  <Table.Td className="small wraps">{because}</Table.Td>
                </Table.Tr>
              ))}
            </Table.Tbody>
          </Table>
        )}
        {changes.length > 0 && (
          <>
            <h3 className="mt14">Before and after</h3>
            <div className="gradestrip mt8">
              {changes.map(({ before, after }) => {
                const [was, will] = [look(before, before.layers), look(after, after.layers)];
                return (
                  <div key={before.id} className="small in-row g6 middle">
                    {[was, will].map(
                      (evaluation, at) =>
                        evaluation && (
                          <Spoon
                            key={at}
                            hex={spectrumToDisplay(evaluation.spectrum).hex}
                            gloss={evaluation.gloss}
                            width={32}
                            label={`${before.name}, ${at === 0 ? 'before' : 'after'}`}
                          />
                        ),
                    )}
                    <span>
                      {before.name}
                      <span className="mono block">
                        {Math.round(was?.gloss ?? 0)} → {Math.round(will?.gloss ?? 0)} GU
                      </span>
                    </span>
                  </div>
                );
              })}
            </div>
          </>
        )}
      </section>
      <section className="column" aria-label="What follows">
        <h2>What follows</h2>
        <Button
          variant="action"
          disabled={changes.length === 0}
          onClick={() => void saveTrays(changes, `${life} weathering`).catch(() => undefined)}
        >
          {changes.length === 0
            ? plan.items.length === 0
              ? 'Nothing to add'
              : 'The stacks carry it already'
            : plan.items.length === 0
              ? `Take the old weathering off ${changes.length} ${changes.length === 1 ? 'stack' : 'stacks'}`
              : `Add it to ${changes.length} ${changes.length === 1 ? 'stack' : 'stacks'}`}
        </Button>
        <p className="small soft">
          Each wash gets a clear under it and each powder a matt ground, so that nothing dissolves what lies
          below. The layers land in the stacks and the steps in the plan, in the place of what an earlier life
          laid there; one undo takes them back.
        </p>
        {carried.length > 0 && (
          <p className="small">
            Left as they are, since they carry weathering already:{' '}
            {carried.map(({ name }) => name).join(', ')}. Take the washes and powders that you laid or changed
            yourself out of the stack to plan them anew.
          </p>
        )}
        {methods.map(({ id, name, steps, rule }) => (
          <div key={id} className="panel" role="region" aria-label={name}>
            <h3>{name}</h3>
            <ol className="plainbullets small">
              {steps.map(({ text, dryMinutes }) => (
                <li key={text}>
                  {text}
                  {dryMinutes > 0 && <span className="soft"> · leave it {formatMinutes(dryMinutes)}</span>}
                </li>
              ))}
            </ol>
            <p className="small mt4">{rule}</p>
          </div>
        ))}
      </section>
    </div>
  );
}
