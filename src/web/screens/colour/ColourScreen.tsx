import { useMemo, useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import type { CodeRecord, TrayRecord } from '../../../api/index.ts';
import type { IlluminantId } from '../../../core/colour/index.ts';
import { NOT_CHOSEN, resolveMix, targetLayer } from '../../../core/kit/index.ts';
import { seenSurface } from '../../../core/paint/index.ts';
import { EachInTurn } from '../../components/InTurn.tsx';
import { EmptyStage } from '../../components/EmptyStage.tsx';
import { Loading } from '../../components/Loading.tsx';
import { TrayList } from '../../components/TrayList.tsx';
import { mixable } from '../../data/mixable.ts';
import { saveTray } from '../../data/bench.ts';
import { useBuildContext } from '../../data/buildContext.ts';
import { frugalCandidates, nearestCandidates, recipeCandidates, type PaintWish } from './candidates.ts';
import { Booth } from './Booth.tsx';
import { CodePanel } from './CodePanel.tsx';
import { ColourNav } from './ColourNav.tsx';
import { CupPanel } from './CupPanel.tsx';
import { aimedFor, judgedIn, purchases, USUAL, wantedIn, type MatchChoices } from './matchChoices.ts';
import { MatchOptions } from './MatchOptions.tsx';
import { useBands } from './useBands.ts';
import { useRecipes } from './useRecipes.ts';

const NEAREST = 4;
const RECIPES = 4;
const POOL_NAMES: Record<MatchChoices['from'], string> = {
  shelf: 'on the shelf',
  'shelf+1': 'on the shelf with one bought',
  'shelf+2': 'on the shelf with two bought',
  all: 'in the catalogue',
};

/** From a factory code to a paint or a recipe in whole drops. */
export function ColourScreen() {
  const workshop = useBuildContext();
  const { build, codes, products, ready, error } = workshop;
  const { trayId } = useParams();
  const navigate = useNavigate();
  if (!ready) return <Loading what="colours and paints" error={error} />;
  if (!build) return <Loading what="the build" error={new Error('There is no build at this address.')} />;
  const coloured = build.trays.filter(({ layers }) => targetLayer(layers));
  const tray = coloured.find(({ id }) => id === trayId) ?? coloured[0];
  if (!tray) {
    return (
      <EmptyStage title="Nothing to colour yet" buildId={build.id}>
        Add a sub-assembly in the Kit stage; its stack begins with a colour layer that you choose here.
      </EmptyStage>
    );
  }
  const note = ({ codeId, layers }: TrayRecord) => {
    const mix = targetLayer(layers)?.mix;
    const name = mix ? (resolveMix(mix, products)?.name ?? 'paint no longer in the catalogue') : NOT_CHOSEN;
    const code = codes.find(({ id }) => id === codeId);
    return `${code ? `${code.code} ${code.name}` : 'no code'}: ${name}`;
  };
  const list = (
    <TrayList
      trays={coloured}
      chosen={tray.id}
      products={products}
      codes={codes}
      note={note}
      onChoose={({ id }) => void navigate(`/build/${build.id}/colour/${id}`)}
    />
  );
  return <ColourDesk key={tray.id} tray={tray} workshop={workshop} list={list} />;
}

interface ColourDeskProps {
  tray: TrayRecord;
  workshop: ReturnType<typeof useBuildContext>;
  list: React.ReactNode;
}

function ColourDesk({ tray, workshop, list }: ColourDeskProps) {
  const { build, paints, codes, products, conditions } = workshop;
  const [light, setLight] = useState<IlluminantId>('D65');
  const [choices, setChoices] = useState(USUAL);
  const [wish, setWish] = useState<PaintWish>({ family: null, sheen: null });
  const [picked, setPicked] = useState<string>();
  const known = codes.find(({ id }) => id === tray.codeId);
  const code = useMemo(() => known && aimedFor(known, choices.lightening), [known, choices.lightening]);
  const kind = code?.kind ?? 'solid';
  const pool = useMemo(
    () => mixable(paints, kind, choices.from === 'shelf' ? 'shelf' : 'all'),
    [paints, kind, choices.from],
  );
  const view = useMemo(() => ({ illuminant: light, observer: choices.observer }), [light, choices.observer]);
  const judged = useMemo(() => judgedIn(choices), [choices]);
  const labs = useMemo(() => code && wantedIn(code, judged), [code, judged]);
  const { maxPaints, maxDrops } = choices;
  const surface = useMemo(() => seenSurface(code?.gloss), [code?.gloss]);
  const recipes = useRecipes({
    paints: pool,
    labs,
    conditions: judged,
    surface,
    maxPaints,
    maxDrops,
    mostBought: purchases(choices.from),
    aim: choices.aim,
    tolerance: choices.tolerance,
  });

  const nearest = useMemo(
    () => (code ? nearestCandidates(code, pool, products, NEAREST, judged, wish) : []),
    [code, pool, products, judged, wish],
  );
  const { state } = recipes;
  // What is found so far is shown while the rest is being ruled out.
  const answers =
    state.kind === 'found' ? state.answer.best : state.kind === 'searching' ? state.soFar : undefined;
  const frugal = state.kind === 'saved' ? state.recipes : undefined;
  const mixed = useMemo(() => {
    if (code && frugal) return frugalCandidates(frugal, code, products, RECIPES, judged);
    return code && answers ? recipeCandidates(answers, code, products, RECIPES, judged) : [];
  }, [code, answers, frugal, products, judged]);
  const all = [...mixed, ...nearest];
  const bands = useBands(all, code, paints, view);
  const chosen = all.find(({ key }) => key === picked) ?? all[0];

  const chooseCode = (next: CodeRecord) => {
    setPicked(undefined);
    void saveTray(tray, { ...tray, codeId: next.id }, `code of ${tray.name}`).catch(() => undefined);
  };
  const useMix = () => {
    if (!chosen) return;
    const about = targetLayer(tray.layers);
    const layers = tray.layers.map((layer) =>
      layer.id === about?.id ? { ...layer, mix: chosen.mix } : layer,
    );
    void saveTray(tray, { ...tray, layers }, `paint of ${tray.name}`).catch(() => undefined);
  };

  return (
    <div className="columns">
      <section className="column" aria-label="What you know">
        <h2>What you know</h2>
        <EachInTurn>
          {build && <ColourNav build={build} tray={tray} />}
          {list}
          <CodePanel code={known} codes={codes} onChoose={chooseCode} />
          <MatchOptions
            buildId={build?.id}
            scale={build?.scale ?? 24}
            choices={choices}
            onChange={setChoices}
            shelfCount={mixable(paints, kind, 'shelf').length}
            allCount={mixable(paints, kind, 'all').length}
          />
        </EachInTurn>
      </section>
      <Booth
        code={code}
        view={view}
        onLight={setLight}
        unit={choices.unit}
        wish={wish}
        onWish={setWish}
        nearest={nearest}
        mixed={mixed}
        chosen={chosen}
        recipes={recipes}
        tolerance={choices.tolerance}
        bands={bands}
        poolName={POOL_NAMES[choices.from]}
        onPick={setPicked}
        onUse={useMix}
      />
      <section className="column" aria-label="What follows">
        <h2>What follows</h2>
        {code && chosen && build ? (
          <CupPanel
            tray={tray}
            scale={build.scale}
            code={code}
            chosen={chosen}
            band={bands.get(chosen.key)}
            view={view}
            unit={choices.unit}
            paints={paints}
            codes={codes}
            products={products}
            conditions={conditions}
            onUse={useMix}
          />
        ) : (
          <div className="panel">
            <p>
              Choose the factory code on the left, or put in your own colour. Fanfare then finds the nearest
              paints and recipes, and says what each means in drops, coats and money.
            </p>
          </div>
        )}
      </section>
    </div>
  );
}
