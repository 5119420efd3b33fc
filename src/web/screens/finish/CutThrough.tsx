import { SegmentedControl } from '@mantine/core';
import { useMemo, useState } from 'react';
import type { CodeRecord, TrayRecord } from '../../../api/index.ts';
import { spectrumToDisplay, type IlluminantId } from '../../../core/colour/index.ts';
import { figure } from '../../../core/figures.ts';
import { seenAs, type Stack, type StackEvaluation } from '../../../core/finish/index.ts';
import { CrossSection } from '../../components/CrossSection.tsx';
import { LightSwitch } from '../../components/LightSwitch.tsx';
import { Spoon } from '../../components/Spoon.tsx';
import { CoatStrip } from './CoatStrip.tsx';
import { layerName } from './layerNames.ts';

interface CutThroughProps {
  tray: TrayRecord;
  stack: Stack;
  evaluation: StackEvaluation | undefined;
  /** Why there is no evaluation. */
  error: string | undefined;
  code: CodeRecord | undefined;
  finishNames: Readonly<Record<string, string>>;
  marked: string | undefined;
  onMark: (layerId: string) => void;
}

/** What is left of a colour that others are picked out over. */
const REST = '';

/** What lies on the areas of one colour, and how that looks; all of it where there is one. */
function seenOf(stack: Stack, evaluation: StackEvaluation, finishId: string | null | undefined) {
  const { colours } = evaluation;
  const colour =
    colours.find((each) => each.finishId === finishId) ??
    colours.find((each) => each.finishId === null) ??
    colours.at(-1);
  if (!colour) return { stack, evaluation };
  const lies = new Set(colour.layerIds);
  return {
    colour,
    stack: { ...stack, layers: seenAs(stack.layers, colour.finishId) },
    evaluation: {
      ...evaluation,
      ...colour,
      layers: evaluation.layers.filter(({ id }) => lies.has(id)),
    },
  };
}

/** The finish cut through and as it will look, for each colour of the body. */
export function CutThrough(props: CutThroughProps) {
  const { tray, stack, evaluation, error, code, finishNames, marked, onMark } = props;
  const [light, setLight] = useState<IlluminantId>('D65');
  const [chosen, setChosen] = useState<string>();
  const seen = useMemo(
    () => evaluation && seenOf(stack, evaluation, chosen === REST ? null : chosen),
    [stack, evaluation, chosen],
  );
  const names = new Map(
    tray.layers.map((layer, index) => [layer.id, layerName(layer, stack.layers[index]!)]),
  );
  const hex = (spectrum: readonly number[]) =>
    spectrumToDisplay(spectrum, { illuminant: light, observer: '2deg' }).hex;
  const primer = seen?.evaluation.layers.find(({ kind }) => kind === 'primer' || kind === 'undercoat');
  const colours = evaluation?.colours ?? [];
  const share = (finishId: string | null) =>
    finishId === null ? undefined : stack.layers.find((layer) => layer.finishId === finishId)?.share;
  // The code of the sub-assembly is that of the colour that others are picked out over, else of the last.
  const about = colours.find(({ finishId }) => finishId === null) ?? colours.at(-1);
  const wanted = !seen?.colour || seen.colour === about ? code : undefined;
  return (
    <div className="booth">
      <div className="toolrow apart">
        <h2>{tray.name}, cut through</h2>
        <LightSwitch light={light} onChange={setLight} />
      </div>
      {colours.length > 1 && (
        <SegmentedControl
          size="xs"
          aria-label="Cut through the areas of"
          value={seen?.colour?.finishId ?? REST}
          onChange={setChosen}
          data={colours.map(({ finishId }) => ({
            value: finishId ?? REST,
            label: [
              finishId === null
                ? 'all but what is picked out'
                : (finishNames[finishId] ?? 'a colour that is gone'),
              share(finishId) === undefined ? '' : figure(100 * share(finishId)!, '%', 0),
            ]
              .filter(Boolean)
              .join(', '),
          }))}
        />
      )}
      {seen && tray.layers.length > 0 ? (
        <div className="cutthrough">
          <CrossSection
            stack={seen.stack}
            evaluation={seen.evaluation}
            light={light}
            marked={marked}
            names={names}
            onMark={onMark}
          />
          <div className="small">
            <Spoon
              hex={hex(seen.evaluation.spectrum)}
              undercoat={hex((primer ?? seen.evaluation).spectrum)}
              gloss={seen.evaluation.gloss}
              width={88}
              label={`${tray.name} as it will look`}
            />
            <span>as it will look</span>
            {wanted && (
              <>
                <span
                  className="wanted"
                  style={{ background: hex(wanted.spectrum) }}
                  role="img"
                  aria-label={`${wanted.code}, the colour wanted`}
                />
                {wanted.code}
              </>
            )}
          </div>
        </div>
      ) : (
        <p style={{ padding: '40px 0' }}>
          {error ?? 'No layers yet: take a suggested stack, or add the first layer below.'}
        </p>
      )}
      {seen && (
        <CoatStrip
          stack={seen.stack}
          evaluation={seen.evaluation}
          view={{ illuminant: light, observer: '2deg' }}
        />
      )}
    </div>
  );
}
