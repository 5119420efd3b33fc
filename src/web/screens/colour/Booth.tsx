import { bare, figure } from '../../../core/figures.ts';
import { Checkbox, NativeSelect, UnstyledButton } from '@mantine/core';
import { useLayoutEffect, useState } from 'react';
import type { CodeRecord } from '../../../api/index.ts';
import { spectrumToDisplay, type IlluminantId, type ViewingCondition } from '../../../core/colour/index.ts';
import { FAMILIES } from '../../../core/finish/index.ts';
import type { FrugalAim, FrugalRecipe, PredictionBand } from '../../../core/match/index.ts';
import { seenSurface } from '../../../core/paint/index.ts';
import { EachInTurn } from '../../components/InTurn.tsx';
import { isCommandKey } from '../../components/keys.ts';
import { LightSwitch } from '../../components/LightSwitch.tsx';
import { BeyondScreen } from '../../components/BeyondScreen.tsx';
import { Spoon } from '../../components/Spoon.tsx';
import { hasFlake } from '../../data/mixable.ts';
import { BoothCharts } from './BoothCharts.tsx';
import { GLOSS } from './boothStyle.ts';
import { differenceIn, type Candidate, type PaintWish } from './candidates.ts';
import { rangeText } from './doubts.ts';
import { amountText, type MatchChoices } from './matchChoices.ts';
import { Undercoats } from './Undercoats.tsx';
import { WITHIN, type useRecipes } from './useRecipes.ts';

interface BoothProps {
  code: CodeRecord | undefined;
  view: ViewingCondition;
  onLight: (light: IlluminantId) => void;
  unit: MatchChoices['unit'];
  wish: PaintWish;
  onWish: (wish: PaintWish) => void;
  nearest: readonly Candidate[];
  mixed: readonly Candidate[];
  chosen: Candidate | undefined;
  recipes: ReturnType<typeof useRecipes>;
  /** How near is near enough, dE00. */
  tolerance: number;
  bands: ReadonlyMap<string, PredictionBand>;
  poolName: string;
  onPick: (key: string) => void;
  onUse: () => void;
}

/** The neutral booth: the wanted colour and its answers as spoons under one light. */
export function Booth({
  code,
  view,
  onLight,
  unit,
  wish,
  onWish,
  nearest,
  mixed,
  chosen,
  recipes,
  tolerance,
  bands,
  poolName,
  onPick,
  onUse,
}: BoothProps) {
  const [split, setSplit] = useState(false);
  // Before the answers are painted, so that Enter never takes one that is no longer shown.
  useLayoutEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const onButton = (event.target as HTMLElement).closest('button, a');
      if (event.key === 'Enter' && isCommandKey(event) && !onButton) onUse();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [onUse]);
  if (!code) {
    return (
      <section
        className="booth"
        aria-label="Booth"
        style={{ minHeight: 420, display: 'grid', placeItems: 'center' }}
      >
        <p style={{ maxWidth: 340, textAlign: 'center' }}>
          No colour is wanted here yet. Choose a factory code, and its spoon hangs here beside the paints that
          come nearest.
        </p>
      </section>
    );
  }
  const seen = (spectrum: readonly number[]) => spectrumToDisplay(spectrum, view).hex;
  const row = (list: readonly Candidate[], label: string) => (
    <div role="radiogroup" aria-label={label} style={{ display: 'flex', gap: 4, minHeight: 196 }}>
      {list.map((candidate) => {
        const dE = differenceIn(view, candidate.spectrum, code.spectrum);
        const active = candidate.key === chosen?.key;
        return (
          <UnstyledButton
            key={candidate.key}
            role="radio"
            aria-checked={active}
            title={candidate.product.name}
            onClick={() => onPick(candidate.key)}
            style={{
              background: 'none',
              border: 0,
              borderBottom: `4px solid ${active ? '#0c0c0c' : 'transparent'}`,
              padding: '4px 2px 6px',
              cursor: 'pointer',
              color: 'inherit',
              font: 'inherit',
              width: 112,
              flex: '0 1 112px',
              minWidth: 0,
            }}
          >
            <Spoon
              hex={seen(candidate.spectrum)}
              gloss={GLOSS[candidate.product.sheen]}
              flakeUm={candidate.product.flakeUm}
              width={62}
              label={`${candidate.product.name}, dE ${bare(dE, 'dE')}`}
            />
            <span
              style={{ display: 'block', whiteSpace: 'nowrap', overflow: 'hidden', textOverflow: 'ellipsis' }}
            >
              {Object.keys(candidate.mix).length === 1
                ? candidate.product.name
                : Object.values(candidate.mix).join(' : ')}
            </span>
            <span className="mono" style={{ display: 'block', fontSize: 11.5 }}>
              {Object.keys(candidate.mix).length === 1
                ? Object.keys(candidate.mix)[0]
                : amountText(candidate.drops, unit)}
            </span>
            <span className="mono nowrap">
              {bare(dE, 'dE')}{' '}
              <span className="small block">
                {bands.has(candidate.key) ? rangeText(bands.get(candidate.key)!) : '…'}
              </span>
            </span>
          </UnstyledButton>
        );
      })}
    </div>
  );
  return (
    <section className="booth" aria-label="Booth" data-light={view.illuminant}>
      <div className="in-row middle apart g12 breaks">
        <h2>Target and answers</h2>
        <LightSwitch light={view.illuminant} onChange={onLight} />
      </div>
      <div style={{ display: 'grid', gridTemplateColumns: '190px minmax(0, 1fr)', gap: 16, marginTop: 10 }}>
        <div style={{ textAlign: 'center', alignSelf: 'center' }}>
          <Spoon
            hex={seen(code.spectrum)}
            gloss={code.gloss}
            flakeUm={hasFlake(code.kind) ? 12 : null}
            splitHex={split && chosen ? seen(chosen.spectrum) : undefined}
            width={150}
            label={split ? `left ${code.name}, right the answer` : `${code.name}, the colour wanted`}
          />
          <b className="block">{code.name}</b>
          <span className="mono">{code.code}</span>
          <BeyondScreen spectrum={code.spectrum} view={view} />
          <Checkbox
            mt={8}
            label="answer on the right half"
            checked={split}
            onChange={(event) => setSplit(event.currentTarget.checked)}
          />
        </div>
        <div>
          <h3>Recipes in whole drops</h3>
          <SearchNote recipes={recipes} tolerance={tolerance} poolName={poolName} best={mixed[0]} />
          {mixed.length > 0 && row(mixed, 'Recipes')}
          <div className="in-row g8 middle mt8">
            <h3 className="grows">As they come</h3>
            <WishSelects wish={wish} onWish={onWish} />
          </div>
          {nearest.length > 0 ? (
            row(nearest, 'Nearest paints')
          ) : (
            <p style={{ padding: '20px 0' }}>
              No paint {poolName} suits. Put paints on the shelf, or search everything.
            </p>
          )}
          <p className="small">
            Figures: CIEDE2000 from the target in this light, and where nine spoons in ten would land, from
            the doubts of target, paints and drops.
          </p>
        </div>
      </div>
      {chosen && (
        <EachInTurn first={0}>
          <BoothCharts code={code} chosen={chosen} candidates={[...mixed, ...nearest]} onPick={onPick} />
          <Undercoats chosen={chosen} wanted={code.spectrum} surface={seenSurface(code.gloss)} view={view} />
        </EachInTurn>
      )}
    </section>
  );
}

const ANY = 'any';

/** Which family and sheen the paints as they come may have. */
function WishSelects({ wish, onWish }: Pick<BoothProps, 'wish' | 'onWish'>) {
  return (
    <>
      <NativeSelect
        size="xs"
        aria-label="Family of paints as they come"
        value={wish.family ?? ANY}
        data={[
          { value: ANY, label: 'any family' },
          ...Object.entries(FAMILIES).map(([value, { name }]) => ({ value, label: name })),
        ]}
        onChange={({ currentTarget: { value } }) =>
          onWish({ ...wish, family: value === ANY ? null : (value as PaintWish['family']) })
        }
      />
      <NativeSelect
        size="xs"
        aria-label="Sheen of paints as they come"
        value={wish.sheen ?? ANY}
        data={[
          { value: ANY, label: 'any sheen' },
          ...Object.keys(GLOSS).map((value) => ({ value, label: value })),
        ]}
        onChange={({ currentTarget: { value } }) =>
          onWish({ ...wish, sheen: value === ANY ? null : (value as PaintWish['sheen']) })
        }
      />
    </>
  );
}

function SearchNote({
  recipes: { state, cancel, again },
  tolerance,
  poolName,
  best,
}: Pick<BoothProps, 'recipes' | 'tolerance' | 'poolName'> & { best: Candidate | undefined }) {
  if (state.kind === 'searching') {
    return (
      <p role="status" style={{ minHeight: 24 }}>
        {state.soFar.length > 1
          ? 'Best so far; the rest is being ruled out:'
          : `Searching every recipe ${poolName}:`}{' '}
        <span className="mono">{Math.round(100 * state.share)} %</span>{' '}
        <UnstyledButton className="why same-ink" onClick={cancel}>
          cancel
        </UnstyledButton>
      </p>
    );
  }
  if (state.kind === 'cancelled') {
    return (
      <p role="status">
        Cancelled.{' '}
        <UnstyledButton className="why same-ink" onClick={again}>
          search again
        </UnstyledButton>
      </p>
    );
  }
  if (state.kind === 'failed') return <p role="alert">{state.message}</p>;
  if (state.kind === 'saved') {
    const [first] = state.recipes;
    return (
      <p role="status" className="small" style={{ minHeight: 24 }}>
        {first
          ? `${savingText(state.aim, first)} within ${figure(tolerance, 'dE')} (proved, ${state.nearEnough} choices of paints, ${figure(state.seconds, 's')}).`
          : `No recipe ${poolName} comes within ${figure(tolerance, 'dE')}. Ask for less nearness, or search more paints.`}
      </p>
    );
  }
  if (state.kind !== 'found') return null;
  const far = best !== undefined && best.dE00 > 3;
  return (
    <p role="status" className="small" style={{ minHeight: 24 }}>
      {best
        ? `Nothing ${poolName} is nearer by more than ${WITHIN} (proved over ${state.paintCount} paints, ${figure(state.seconds, 's')}).`
        : `One paint cannot be mixed; allow two or three.`}
      {far ? ' Even so it is far off: a pigment is missing here.' : ''}
    </p>
  );
}

/** What the answer that saves most saves. */
function savingText(aim: FrugalAim, { drops, toBuy, cents }: FrugalRecipe): string {
  const count = Object.keys(drops).length;
  const money = toBuy.length === 0 ? 'nothing to buy' : `${figure(cents, 'euro')} to buy`;
  return aim === 'cheapest'
    ? `First: ${money}; nothing cheaper`
    : `First: ${count} ${count === 1 ? 'bottle' : 'bottles'}, ${money}; none with fewer`;
}
