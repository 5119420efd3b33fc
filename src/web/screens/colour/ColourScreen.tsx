import { useMemo, useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import type { CodeRecord, TrayRecord } from '../../../api/index.ts';
import type { IlluminantId } from '../../../core/colour/index.ts';
import { NOT_CHOSEN, resolveMix, targetLayer } from '../../../core/kit/index.ts';
import { EmptyStage } from '../../components/EmptyStage.tsx';
import { Loading } from '../../components/Loading.tsx';
import { TrayList } from '../../components/TrayList.tsx';
import { mixable } from '../../data/mixable.ts';
import { saveTray } from '../../data/bench.ts';
import { useWorkshop } from '../../data/workshop.ts';
import { nearestCandidates, recipeCandidates } from './candidates.ts';
import { Booth } from './Booth.tsx';
import { CodePanel } from './CodePanel.tsx';
import { ColourNav } from './ColourNav.tsx';
import { CupPanel } from './CupPanel.tsx';
import { useBands } from './useBands.ts';
import { useRecipes } from './useRecipes.ts';

const NEAREST = 4;
const RECIPES = 4;

/** From a factory code to a paint or a recipe in whole drops. */
export function ColourScreen() {
  const workshop = useWorkshop();
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
  workshop: ReturnType<typeof useWorkshop>;
  list: React.ReactNode;
}

function ColourDesk({ tray, workshop, list }: ColourDeskProps) {
  const { build, paints, codes, products, conditions } = workshop;
  const [light, setLight] = useState<IlluminantId>('D65');
  const [from, setFrom] = useState<'shelf' | 'all'>('shelf');
  const [maxPaints, setMaxPaints] = useState(3);
  const [maxDrops, setMaxDrops] = useState(20);
  const [picked, setPicked] = useState<string>();
  const code = codes.find(({ id }) => id === tray.codeId);
  const pool = useMemo(() => mixable(paints, code?.kind ?? 'solid', from), [paints, code?.kind, from]);
  const lab = useMemo<[number, number, number] | undefined>(() => code && labTriple(code), [code]);
  const recipes = useRecipes({ paints: pool, lab, maxPaints, maxDrops });

  const nearest = useMemo(
    () => (code ? nearestCandidates(code, pool, products, NEAREST) : []),
    [code, pool, products],
  );
  const { state } = recipes;
  // What is found so far is shown while the rest is being ruled out.
  const answers =
    state.kind === 'found' ? state.answer.best : state.kind === 'searching' ? state.soFar : undefined;
  const mixed = useMemo(
    () => (code && answers ? recipeCandidates(answers, code, products, RECIPES) : []),
    [code, answers, products],
  );
  const all = [...mixed, ...nearest];
  const bands = useBands(all, code, paints, light);
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
        {build && <ColourNav build={build} tray={tray} />}
        {list}
        <CodePanel code={code} codes={codes} onChoose={chooseCode} />
        <div>
          <h3 style={{ marginBottom: 6 }}>From</h3>
          <div className="chips" role="group" aria-label="Search paints from">
            <button
              type="button"
              className="chip"
              aria-pressed={from === 'shelf'}
              onClick={() => setFrom('shelf')}
            >
              my shelf, {mixable(paints, code?.kind ?? 'solid', 'shelf').length}
            </button>
            <button
              type="button"
              className="chip"
              aria-pressed={from === 'all'}
              onClick={() => setFrom('all')}
            >
              everything, {mixable(paints, code?.kind ?? 'solid', 'all').length}
            </button>
          </div>
          <div className="chips" role="group" aria-label="Most paints in one cup" style={{ marginTop: 8 }}>
            {[1, 2, 3].map((count) => (
              <button
                key={count}
                type="button"
                className="chip"
                aria-pressed={maxPaints === count}
                onClick={() => setMaxPaints(count)}
              >
                {count === 1 ? '1 paint' : `up to ${count}`}
              </button>
            ))}
          </div>
          <div className="chips" role="group" aria-label="Most drops in one cup" style={{ marginTop: 8 }}>
            {[10, 15, 20].map((count) => (
              <button
                key={count}
                type="button"
                className="chip"
                aria-pressed={maxDrops === count}
                onClick={() => setMaxDrops(count)}
              >
                {count} drops
              </button>
            ))}
          </div>
          <p className="soft small" style={{ marginTop: 8 }}>
            One chemistry to a cup. No lightening for scale: gloss bodies look right in their real colour.
          </p>
        </div>
      </section>
      <Booth
        code={code}
        light={light}
        onLight={setLight}
        nearest={nearest}
        mixed={mixed}
        chosen={chosen}
        recipes={recipes}
        bands={bands}
        poolName={from === 'shelf' ? 'on the shelf' : 'in the catalogue'}
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
            light={light}
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

function labTriple(code: CodeRecord): [number, number, number] | undefined {
  const lab = code.sources.find(({ inForce }) => inForce)?.lab;
  return lab && [lab.L, lab.a, lab.b];
}
