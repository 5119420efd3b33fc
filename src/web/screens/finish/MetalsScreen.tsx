import { bare, figure } from '../../../core/figures.ts';
import { NumberInput, Table, UnstyledButton } from '@mantine/core';
import { useMemo, useState } from 'react';
import { Link, useParams } from 'react-router';
import {
  ciede2000,
  DAYLIGHT,
  spectrumToDisplay,
  spectrumToLab,
  type IlluminantId,
} from '../../../core/colour/index.ts';
import {
  alikeMetals,
  BARE_METALS,
  FAMILIES,
  flakeReading,
  GROUND_WORDS,
  metalLab,
  sheenName,
} from '../../../core/finish/index.ts';
import type { Recipe, RecipeRequest } from '../../../core/match/index.ts';
import { GLOSSY, opaqueSpectrum } from '../../../core/paint/index.ts';
import { recipePaint } from '../../data/mixable.ts';
import { LightSwitch } from '../../components/LightSwitch.tsx';
import { Loading } from '../../components/Loading.tsx';
import { Spoon } from '../../components/Spoon.tsx';
import { useKit } from '../../data/kit.ts';
import { finishOf, useBuildContext } from '../../data/buildContext.ts';
import { useTask } from '../../data/useTask.ts';
import type { FinishWorker } from '../../workers/finishWorker.ts';

/** Paints tried in pairs: the nearest ones and all owned. */
const TRIED = 14;
const MOST_DROPS = 8;
const SHOWN = 6;
const MIXES_SHOWN = 3;
const NO_RECIPES: readonly Recipe[] = [];

/** Bare metals of vehicles, each as paints and mixtures of the builder's own metals; how flake reads at this scale;
 *  neighbours that would look alike. */
export function MetalsScreen() {
  const { build, paints, codes, products, conditions, ready, error } = useBuildContext();
  const { buildId } = useParams();
  const { kit } = useKit(buildId);
  const [metalId, setMetalId] = useState(BARE_METALS[0]!.id);
  const [light, setLight] = useState<IlluminantId>('D65');
  const [partMm, setPartMm] = useState(25);
  const metal = BARE_METALS.find(({ id }) => id === metalId)!;
  const scale = build?.scale ?? 24;

  const metals = useMemo(
    () =>
      paints
        .filter(
          ({ role, family, flakeUm }) => role === 'metal' || family === 'chrome-ink' || (flakeUm ?? 0) > 0,
        )
        .map((paint) => ({ paint, spectrum: opaqueSpectrum(paint) }))
        .map((each) => ({ ...each, lab: spectrumToLab(each.spectrum, DAYLIGHT) })),
    [paints],
  );
  const near = useMemo(() => {
    const wanted = metalLab(metal);
    return metals
      .map((each) => ({ ...each, dE00: ciede2000(wanted, each.lab) }))
      .sort((p, q) => p.dE00 - q.dE00);
  }, [metals, metal]);
  const request = useMemo((): RecipeRequest | undefined => {
    const owned = near.filter(({ paint }) => paint.levelMl !== null);
    const some = (owned.length >= 2 ? owned : near).slice(0, TRIED).map(({ paint }) => paint);
    if (some.length < 2) return undefined;
    const { L, a, b } = metalLab(metal);
    return {
      format: 'recipe-request',
      version: 1,
      paints: some.map(recipePaint),
      target: { lab: [L, a, b] },
      condition: DAYLIGHT,
      surface: GLOSSY,
      maxPaints: 2,
      maxDrops: MOST_DROPS,
    };
  }, [near, metal]);
  const mixes = useMixes(request);

  const alike = useMemo(() => {
    if (!build || !kit) return [];
    const seen = build.trays.flatMap((tray) => {
      const top = tray.layers.findLast(({ kind }) => kind === 'metal' || kind === 'colour');
      if (top?.kind !== 'metal') return [];
      const { evaluation } = finishOf(tray, build.scale, products, codes, conditions);
      return evaluation
        ? [{ id: tray.id, name: tray.name, lab: evaluation.lab, gloss: evaluation.gloss }]
        : [];
    });
    const trayOf = new Map(
      build.trays.flatMap(({ id, parts }) => parts.map((part) => [part.id, id] as const)),
    );
    const pairs = new Map<string, [string, string]>();
    for (const { a, b } of kit.joints) {
      const [one, other] = [trayOf.get(a), trayOf.get(b)];
      if (one && other && one !== other) pairs.set([one, other].sort().join(' '), [one, other]);
    }
    return alikeMetals(seen, [...pairs.values()]);
  }, [build, kit, products, codes, conditions]);

  if (!ready) return <Loading what="the metals" error={error} />;
  if (!build) return <Loading what="the build" error={new Error('There is no build at this address.')} />;
  const hexOf = (spectrum: readonly number[]) =>
    spectrumToDisplay(spectrum, { illuminant: light, observer: '2deg' }).hex;
  return (
    <div className="columns">
      <section className="column" aria-label="What you know">
        <h2>Bare metals</h2>
        <p>
          <Link to={`/build/${build.id}/finish`}>back to the stacks</Link>
        </p>
        <ul className="trays" aria-label="Metals" style={{ maxHeight: '70vh' }}>
          {BARE_METALS.map(({ id, name, where, spectrum }) => (
            <li key={id}>
              <UnstyledButton aria-pressed={id === metalId} onClick={() => setMetalId(id)}>
                <span className="dot" style={{ background: spectrumToDisplay(spectrum).hex }} aria-hidden />
                <span className="shrinks">
                  <span className="block">{name}</span>
                  <span className="soft small block">{where}</span>
                </span>
              </UnstyledButton>
            </li>
          ))}
        </ul>
      </section>
      <section className="booth" aria-label="Booth">
        <div className="in-row apart breaks g8">
          <h2>{metal.name}</h2>
          <LightSwitch light={light} onChange={setLight} />
        </div>
        <div
          style={{
            display: 'grid',
            gridTemplateColumns: '96px minmax(0, 1fr)',
            gap: 14,
            alignItems: 'center',
          }}
        >
          <Spoon
            hex={hexOf(metal.spectrum)}
            gloss={metal.gloss}
            width={90}
            label={`${metal.name} as it should look`}
          />
          <dl className="rows">
            <dt>Sheen of the real thing</dt>
            <dd>
              {sheenName(metal.gloss)}, <span className="mono">{metal.gloss} GU</span>
            </dd>
            <dt>Over</dt>
            <dd>{GROUND_WORDS[metal.ground]}</dd>
            <dt>How</dt>
            <dd className="left">{metal.how}</dd>
          </dl>
        </div>
        <h3 className="mt14">Nearest metal paints</h3>
        {near.length === 0 && <p>No metal paint in the catalogue yet: add some on the shelf.</p>}
        <Table className="plainlist same-ink">
          <Table.Thead>
            <Table.Tr>
              <Table.Th>Paint</Table.Th>
              <Table.Th className="num">dE</Table.Th>
              <Table.Th className="num">Flake</Table.Th>
              <Table.Th>On a part of {partMm} mm</Table.Th>
            </Table.Tr>
          </Table.Thead>
          <Table.Tbody>
            {near.slice(0, SHOWN).map(({ paint, spectrum, dE00 }) => {
              const reading = paint.flakeUm === null ? undefined : flakeReading(paint.flakeUm, scale, partMm);
              return (
                <Table.Tr key={paint.id}>
                  <Table.Td className="wraps">
                    <span
                      className="dot"
                      style={{ background: hexOf(spectrum), marginRight: 6, display: 'inline-block' }}
                      aria-hidden
                    />
                    {paint.name}
                    <span className="small block">
                      {paint.range}, {FAMILIES[paint.family].name},{' '}
                      {paint.levelMl === null ? 'to buy' : 'on the shelf'}
                    </span>
                  </Table.Td>
                  <Table.Td className="num mono">{bare(dE00, 'dE')}</Table.Td>
                  <Table.Td className="num mono nowrap">
                    {paint.flakeUm === null ? '–' : `${paint.flakeUm} µm`}
                  </Table.Td>
                  <Table.Td className="small wraps" title={reading?.because}>
                    {reading
                      ? `${reading.reads}: ${figure(reading.fullSizeMm, 'mm')} at full size`
                      : 'no flake known'}
                  </Table.Td>
                </Table.Tr>
              );
            })}
          </Table.Tbody>
        </Table>
        {mixes.length > 0 && (
          <>
            <h3 className="mt14">Mixed from two</h3>
            <ul className="plainbullets">
              {mixes.map(({ drops, dE00 }) => (
                <li key={JSON.stringify(drops)}>
                  {Object.entries(drops)
                    .map(([id, count]) => `${count} ${paints.find((paint) => paint.id === id)?.name ?? id}`)
                    .join(' + ')}
                  , <span className="mono">{figure(dE00, 'dE')}</span>
                </li>
              ))}
            </ul>
          </>
        )}
      </section>
      <section className="column" aria-label="What follows">
        <h2>What follows</h2>
        <div className="panel">
          <h3>Flake on this part</h3>
          <NumberInput
            label="The part’s width, mm"
            value={partMm}
            min={1}
            max={400}
            onChange={(value) => typeof value === 'number' && value >= 1 && setPartMm(value)}
          />
          {near[0]?.paint.flakeUm != null && (
            <p className="small mt6">
              {near[0].paint.name}: {flakeReading(near[0].paint.flakeUm, scale, partMm).because}
            </p>
          )}
        </div>
        <div className={`panel${alike.length > 0 ? ' warned' : ''}`}>
          <h3>Neighbours that would look alike</h3>
          {alike.length === 0 ? (
            <p className="small">No two joined sub-assemblies share one shade of metal.</p>
          ) : (
            alike.map(({ first, second, dE00, instead }) => (
              <p key={`${first.id} ${second.id}`} className="small">
                <b>{first.name}</b> and <b>{second.name}</b> are {figure(dE00, 'dE')} apart and read as one
                metal. The nearest shade that does not:{' '}
                <UnstyledButton className="why" onClick={() => setMetalId(instead.id)}>
                  {instead.name}
                </UnstyledButton>
                .
              </p>
            ))
          )}
        </div>
        <p className="small soft">
          The curves of the metals are typical, made up in the shape of the real ones; a reading of the real
          thing wins.
        </p>
      </section>
    </div>
  );
}

/** The best mixtures of two paints, worked out beside the screen; none while that lasts. */
function useMixes(request: RecipeRequest | undefined): readonly Recipe[] {
  const { state } = useTask<FinishWorker, Recipe[]>({
    question: request,
    worker: () => new Worker(new URL('../../workers/finishWorker.ts', import.meta.url), { type: 'module' }),
    work: async (remote) => (await remote.mixTwo(request!)).slice(0, MIXES_SHOWN),
  });
  return state.kind === 'answered' ? state.answer : NO_RECIPES;
}
