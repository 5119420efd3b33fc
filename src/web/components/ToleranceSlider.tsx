import { figure } from '../../core/figures.ts';
import { Slider } from '@mantine/core';
import { useId } from 'react';

interface ToleranceSliderProps {
  /** What has to come within it, as the start of a sentence: Each. */
  who: string;
  /** For those who do not see it: what the number bounds. */
  about: string;
  /** dE00. */
  tolerance: number;
  onChange: (tolerance: number) => void;
}

/** How near an answer has to come to be near enough. */
export function ToleranceSlider({ who, about, tolerance, onChange }: ToleranceSliderProps) {
  const id = useId();
  return (
    <div className="mt12">
      <span id={id}>
        {who} within <b className="mono">{figure(tolerance, 'dE')}</b>
      </span>
      <Slider
        aria-labelledby={id}
        thumbLabel={about}
        min={0.5}
        max={4}
        step={0.1}
        value={tolerance}
        label={(value) => figure(value, 'dE')}
        onChange={onChange}
      />
      <p className="soft small mt6">Below 1 nobody sees it; at 2 it shows only where two panels touch.</p>
    </div>
  );
}
