import { Checkbox, NumberInput, UnstyledButton } from '@mantine/core';
import { labToDisplay } from '../../../../core/colour/index.ts';
import { ToleranceSlider } from '../../../components/ToleranceSlider.tsx';
import type { LiveryColour } from './paletteTargets.ts';

export interface PaletteLimits {
  from: 'shelf' | 'all';
  /** How near every colour has to come, dE00. */
  tolerance: number;
  mostBottles: number | null;
  mostBought: number | null;
}

interface PaletteChoicesProps {
  livery: readonly LiveryColour[];
  left: ReadonlySet<string>;
  onLeave: (left: ReadonlySet<string>) => void;
  limits: PaletteLimits;
  onLimits: (limits: PaletteLimits) => void;
  shelfCount: number;
  allCount: number;
}

/** Which colours the palette has to hold, how near, and from what. */
export function PaletteChoices({
  livery,
  left,
  onLeave,
  limits,
  onLimits,
  shelfCount,
  allCount,
}: PaletteChoicesProps) {
  const orNull = (value: string | number) => (typeof value === 'number' && value > 0 ? value : null);
  return (
    <>
      <div className="panel">
        <h3>Colours to hold</h3>
        <ul className="unlisted m0 p0 stacked g8">
          {livery.map(({ id, label, name, lab, where }) => (
            <li key={id} style={{ display: 'flex', gap: 10, alignItems: 'flex-start' }}>
              <Checkbox
                checked={!left.has(id)}
                aria-label={`Hold ${label} ${name}`}
                onChange={(event) => {
                  const next = new Set(left);
                  if (event.currentTarget.checked) next.delete(id);
                  else next.add(id);
                  onLeave(next);
                }}
              />
              <span className="dot" style={{ background: labToDisplay(lab).hex }} aria-hidden />
              <span className="shrinks">
                <span className="mono">{label}</span> {name}
                <span className="soft small block">{where.join(', ')}</span>
              </span>
            </li>
          ))}
        </ul>
        <ToleranceSlider
          who="Each"
          about="How near every colour has to come, dE"
          tolerance={limits.tolerance}
          onChange={(tolerance) => onLimits({ ...limits, tolerance })}
        />
      </div>
      <div className="panel">
        <h3>From</h3>
        <div className="chips" role="group" aria-label="Paints to choose from">
          {(
            [
              ['shelf', `my shelf, ${shelfCount}`],
              ['all', `everything, ${allCount}`],
            ] as const
          ).map(([from, label]) => (
            <UnstyledButton
              key={from}
              className="chip"
              aria-pressed={limits.from === from}
              onClick={() => onLimits({ ...limits, from })}
            >
              {label}
            </UnstyledButton>
          ))}
        </div>
        <p className="soft small mt6">
          {limits.from === 'shelf'
            ? 'Up to 3 paints and 20 drops to a cup.'
            : 'Up to 2 paints and 20 drops to a cup: with three of so many the proof would take minutes.'}
        </p>
        <div className="stacked two-columns g10 mt8">
          <NumberInput
            label="Most bottles"
            placeholder="any"
            min={1}
            max={40}
            value={limits.mostBottles ?? ''}
            onChange={(value) => onLimits({ ...limits, mostBottles: orNull(value) })}
          />
          <NumberInput
            label="Most to buy"
            placeholder="any"
            min={1}
            max={40}
            disabled={limits.from === 'shelf'}
            value={limits.mostBought ?? ''}
            onChange={(value) => onLimits({ ...limits, mostBought: orNull(value) })}
          />
        </div>
      </div>
    </>
  );
}
