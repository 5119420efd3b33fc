import { figure } from '../../../core/figures.ts';
import { Select, UnstyledButton } from '@mantine/core';
import { Link } from 'react-router';
import { ILLUMINANT_NAMES, lighteningShare } from '../../../core/colour/index.ts';
import { ToleranceSlider } from '../../components/ToleranceSlider.tsx';
import { Why } from '../../components/Why.tsx';
import { SHOWN_IN, type MatchChoices } from './matchChoices.ts';

interface MatchOptionsProps {
  buildId: string | undefined;
  scale: number;
  choices: MatchChoices;
  onChange: (choices: MatchChoices) => void;
  shelfCount: number;
  allCount: number;
}

/** What may go into a cup, and how an answer is judged. */
export function MatchOptions({ buildId, scale, choices, onChange, shelfCount, allCount }: MatchOptionsProps) {
  const set = (change: Partial<MatchChoices>) => onChange({ ...choices, ...change });
  const chips = <K extends keyof MatchChoices>(
    label: string,
    field: K,
    options: readonly (readonly [MatchChoices[K], string])[],
  ) => (
    <div className="chips mt8" role="group" aria-label={label}>
      {options.map(([value, name]) => (
        <UnstyledButton
          key={name}
          className="chip"
          aria-pressed={choices[field] === value}
          onClick={() => set({ [field]: value })}
        >
          {name}
        </UnstyledButton>
      ))}
    </div>
  );
  const size = (count: number) => (choices.unit === 'drops' ? `${count} drops` : figure(count / 10, 'ml'));
  return (
    <div>
      <h3>From</h3>
      {chips('Search paints from', 'from', [
        ['shelf', `my shelf, ${shelfCount}`],
        ['shelf+1', '+ 1 to buy'],
        ['shelf+2', '+ 2 to buy'],
        ['all', `everything, ${allCount}`],
      ])}
      {chips('Most paints in one cup', 'maxPaints', [
        [1, '1 paint'],
        [2, 'up to 2'],
        [3, 'up to 3'],
        [4, 'up to 4'],
      ])}
      {chips(
        'Most in one cup',
        'maxDrops',
        [10, 15, 20].map((count) => [count, size(count)] as const),
      )}
      {chips('Measured in', 'unit', [
        ['drops', 'drops'],
        ['tenths', 'tenths of a ml'],
      ])}
      <h3 className="mt10">Best is</h3>
      {chips('What makes an answer best', 'aim', [
        ['nearest', 'the nearest'],
        ['fewest-bottles', 'fewest bottles'],
        ['cheapest', 'least to buy'],
      ])}
      {choices.aim !== 'nearest' && (
        <ToleranceSlider
          who="Of all recipes"
          about="How near is near enough, dE"
          tolerance={choices.tolerance}
          onChange={(tolerance) => set({ tolerance })}
        />
      )}
      <details className="mt10">
        <summary>How it is judged</summary>
        <div className="stacked g8 mt8">
          <Select
            label="Nearest in"
            data={[
              ...SHOWN_IN.map((id) => ({ value: id, label: ILLUMINANT_NAMES[id].name })),
              { value: 'worst', label: 'the worst of these lights' },
            ]}
            value={choices.light}
            allowDeselect={false}
            onChange={(value) => set({ light: value as MatchChoices['light'] })}
          />
          <Select
            label="Seen by"
            data={[
              { value: '2deg', label: '2° observer: small parts, the usual' },
              { value: '10deg', label: '10° observer: a whole panel near the eye' },
            ]}
            value={choices.observer}
            allowDeselect={false}
            onChange={(value) => set({ observer: value as MatchChoices['observer'] })}
          />
          <div>
            <Select
              label="Lightened for scale"
              data={[
                { value: '0', label: 'not at all' },
                {
                  value: String(lighteningShare(scale)),
                  label: `by ${Math.round(100 * lighteningShare(scale))} %, as some do at 1:${scale}`,
                },
              ]}
              value={String(choices.lightening)}
              allowDeselect={false}
              onChange={(value) => set({ lightening: Number(value) })}
            />
            <Why about="lightening for scale">
              Two schools. Most builders of gloss bodies leave the colour as it is: gloss is judged against
              the real vehicle. Others lay a pale veil over it, more the smaller the scale, since a large
              thing far away looks paler. Over the distances that a model stands for, air alone does not do
              that; it is a matter of taste, so it is off until you want it.
            </Why>
          </div>
        </div>
      </details>
      <p className="soft small mt8">
        One chemistry to a cup.
        {buildId && (
          <>
            {' '}
            Fewest bottles or least money for several colours:{' '}
            <Link to={`/build/${buildId}/colour/palette`}>Palette</Link>.
          </>
        )}
      </p>
    </div>
  );
}
