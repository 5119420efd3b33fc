import { useMemo, useState } from 'react';
import { DAYLIGHT, type IlluminantId } from '../../../../core/colour/index.ts';
import { targetLayer } from '../../../../core/kit/index.ts';
import type { PaletteAim } from '../../../../core/match/index.ts';
import { EmptyStage } from '../../../components/EmptyStage.tsx';
import { Loading } from '../../../components/Loading.tsx';
import { saveTrays } from '../../../data/bench.ts';
import { useKit } from '../../../data/kit.ts';
import { doubtfulPaint, hasFlake, mixable } from '../../../data/mixable.ts';
import { useBuildContext } from '../../../data/buildContext.ts';
import type { PaletteRequest } from '../../../workers/planPaletteOf.ts';
import { ColourNav } from '../ColourNav.tsx';
import { PaletteBoard } from './PaletteBoard.tsx';
import { PaletteChoices, type PaletteLimits } from './PaletteChoices.tsx';
import { PaletteFollows } from './PaletteFollows.tsx';
import { colourOfDecal, liveryColours } from './paletteTargets.ts';
import { PrintedColours } from './PrintedColours.tsx';
import { usePalette } from './usePalette.ts';

const FEW: PaletteLimits = { from: 'shelf', tolerance: 2, mostBottles: null, mostBought: null };
/** How many paints and drops one cup may hold: fewer of either where there is more to choose from. */
const CUPS = { shelf: { maxPaints: 3, maxDrops: 20 }, all: { maxPaints: 2, maxDrops: 20 } } as const;

/** All colours of a build at once, from as few bottles, as little money or as near as can be. */
export function PaletteScreen() {
  const { build, paints, codes, products, ready, error } = useBuildContext();
  const { kit, error: kitError } = useKit(build?.id);
  const [light, setLight] = useState<IlluminantId>('D65');
  const [aim, setAim] = useState<PaletteAim>('fewest-bottles');
  const [limits, setLimits] = useState(FEW);
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const [matched, setMatched] = useState<ReadonlySet<string>>(new Set());

  const livery = useMemo(() => (build && kit ? liveryColours(build, kit, codes) : []), [build, kit, codes]);
  const colours = useMemo(
    () => [
      ...livery.filter(({ id }) => !left.has(id)),
      ...(kit?.decals ?? []).filter(({ id }) => matched.has(id)).map(colourOfDecal),
    ],
    [livery, left, matched, kit],
  );
  const question = useMemo<PaletteRequest | undefined>(() => {
    if (colours.length === 0) return undefined;
    const pool = mixable(paints, 'metallic', limits.from);
    if (pool.length === 0) return undefined;
    return {
      targets: colours.map(({ id, lab, uncertainty, kind, gloss }) => ({
        id,
        lab,
        uncertainty,
        tolerance: limits.tolerance,
        flake: hasFlake(kind),
        gloss,
      })),
      paints: pool.map((paint) => ({
        ...doubtfulPaint(paint),
        family: paint.family,
        flake: paint.flakeUm !== null,
        owned: paint.levelMl !== null,
        priceCents: paint.priceCents,
      })),
      ...CUPS[limits.from],
      aim,
      ...(limits.mostBottles === null ? {} : { mostBottles: limits.mostBottles }),
      ...(limits.mostBought === null ? {} : { mostBought: limits.mostBought }),
      condition: DAYLIGHT,
    };
  }, [colours, paints, limits, aim]);
  const palette = usePalette(question);

  if (!ready || !kit) return <Loading what="colours and paints" error={error ?? kitError} />;
  if (!build) return <Loading what="the build" error={new Error('There is no build at this address.')} />;
  if (livery.length === 0) {
    return (
      <EmptyStage title="No colour is wanted yet" buildId={build.id}>
        Choose factory codes in Match, or give the finishes of the kit their codes. The palette then finds the
        fewest bottles for all of them.
      </EmptyStage>
    );
  }
  const answered = palette.state.kind === 'answered' ? palette.state.answer : undefined;
  const plan = answered?.kind === 'planned' ? answered : undefined;
  const take = () => {
    const drops = new Map(plan?.plan.recipes.map((recipe) => [recipe.colourId, recipe.drops]));
    const changes = build.trays.flatMap((tray) => {
      const about = targetLayer(tray.layers);
      const mix = tray.codeId === null ? undefined : drops.get(tray.codeId);
      if (!about || !mix) return [];
      const layers = tray.layers.map((layer) => (layer.id === about.id ? { ...layer, mix } : layer));
      return [{ before: tray, after: { ...tray, layers } }];
    });
    void saveTrays(changes, `the palette of ${build.name}`).catch(() => undefined);
  };
  return (
    <div className="columns">
      <section className="column" aria-label="What you know">
        <h2>What you know</h2>
        <ColourNav build={build} />
        <PaletteChoices
          livery={livery}
          left={left}
          onLeave={setLeft}
          limits={limits}
          onLimits={setLimits}
          shelfCount={mixable(paints, 'metallic', 'shelf').length}
          allCount={mixable(paints, 'metallic', 'all').length}
        />
      </section>
      <section className="booth" aria-label="Booth" data-light={light}>
        <PaletteBoard
          colours={colours}
          palette={palette}
          empty={question === undefined}
          aim={aim}
          onAim={setAim}
          light={light}
          onLight={setLight}
          paints={paints}
          products={products}
        />
        <PrintedColours
          buildId={build.id}
          decals={kit.decals}
          livery={livery}
          plan={plan?.plan}
          products={products}
          light={light}
          matched={matched}
          onMatch={setMatched}
        />
      </section>
      <PaletteFollows
        answer={answered}
        colours={colours}
        paints={paints}
        poolName={limits.from === 'shelf' ? 'my shelf' : 'everything'}
        trays={build.trays}
        onTake={take}
      />
    </div>
  );
}
