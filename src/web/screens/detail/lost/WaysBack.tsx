import { Button, Radio, Stack } from '@mantine/core';
import { useState } from 'react';
import { drawPiece } from '../../../../core/detail/index.ts';
import { HARDLY } from '../../../../core/plan/index.ts';
import { figure } from '../../../../core/figures.ts';
import {
  counted,
  pieceOf,
  sparesFor,
  waysBack,
  type Kit,
  type Replacement,
  type ReplacementWay,
  type Spare,
} from '../../../../core/kit/index.ts';
import { changeKit, changeStock } from '../../../data/kit.ts';
import { DrawingPicture } from '../DrawingPicture.tsx';
import { SaveDrawings } from '../SaveDrawings.tsx';
import { shareText } from '../shareText.ts';

interface WaysBackProps {
  buildId: string;
  replacement: Replacement;
  kit: Kit;
  spares: readonly Spare[];
  /** How much of it is seen, 0..1, and whether its place is only guessed; undefined where that is not known. */
  seen: { share: number; guessed: boolean } | undefined;
  onChange: (part: Partial<Replacement>) => void;
}

/** The ways in which a part comes back, side by side, with what each takes; and the template of what is made. */
export function WaysBack({ buildId, replacement, kit, spares, seen, onChange }: WaysBackProps) {
  const [problem, setProblem] = useState<string | null>(null);
  const part = kit.parts.find(({ id }) => id === replacement.partId);
  const isBack = part !== undefined && (part.state === 'from-spares' || part.state === 'scratch-built');
  const asked = part ?? {
    name: replacement.name,
    material: 'styrene' as const,
    engineKind: undefined,
    lengthMm: null,
  };
  const fits = sparesFor(asked, spares, replacement.lengthMm > 0 ? replacement.lengthMm : null);
  const { ways, advised, because } = waysBack(replacement, fits, seen !== undefined && seen.share < HARDLY);
  const { answer: piece } = pieceOf(replacement);
  const drawing = piece ? drawPiece(replacement) : null;
  const decide = (way: ReplacementWay) =>
    onChange({ way, spareId: way === 'spare' ? (fits[0]?.spare.id ?? '') : '' });
  const lieThere = async () => {
    if (!part) return;
    const { id, ...value } = part;
    const state =
      replacement.way === 'scratch' || replacement.way === 'print' ? 'scratch-built' : 'from-spares';
    const spare = replacement.way === 'spare' && spares.find((each) => each.id === replacement.spareId);
    try {
      await changeKit(
        buildId,
        [{ kind: 'part', id, value: { ...value, state } }],
        `${part.name.toLowerCase()} lies there`,
      );
      if (!spare) return;
      const { id: spareId, ...rest } = spare;
      const count = Math.max(0, spare.count - replacement.count);
      await changeStock(
        [{ kind: 'spare', id: spareId, value: { ...rest, count } }],
        `spares for ${part.name.toLowerCase()}`,
      );
      setProblem(null);
    } catch (error) {
      setProblem((error as Error).message);
    }
  };
  return (
    <div className="panel stacked g8">
      <h3>{replacement.name}</h3>
      {seen && <p className="small">Seen of it once all is closed: {shareText(seen.share, seen.guessed)}.</p>}
      {isBack ? (
        <p>It lies there: {part.state === 'from-spares' ? 'from spares or from elsewhere' : 'made'}.</p>
      ) : (
        <p>{because}</p>
      )}
      <Radio.Group
        aria-label={`How ${replacement.name} comes back`}
        value={replacement.way ?? ''}
        onChange={(way) => decide(way as ReplacementWay)}
      >
        <Stack gap={6}>
          {ways.map(({ way, name, minutes, days, why, possible }) => (
            <Radio
              key={way}
              value={way}
              size="xs"
              disabled={!possible}
              label={`${name}${way === advised ? ' (advised)' : ''}${possible ? `: ${minutes} min${days > 0 ? `, and about ${counted(days, 'day')} of waiting` : ''}` : ''}`}
              description={why}
            />
          ))}
        </Stack>
      </Radio.Group>
      {piece && (replacement.way === 'scratch' || replacement.way === null) && (
        <ol className="small m0">
          {piece.lines.map((line) => (
            <li key={line}>{line}</li>
          ))}
        </ol>
      )}
      {drawing && (
        <>
          <figure className="m0">
            <DrawingPicture drawing={drawing} label={`${replacement.name}, template`} />
            <figcaption className="small">
              template,{' '}
              <span className="mono">
                {drawing.width.toFixed(1)} × {figure(drawing.height, 'mm', 1)}
              </span>
            </figcaption>
          </figure>
          <SaveDrawings
            kit={kit}
            title={replacement.name}
            drawings={[drawing]}
            copies={{ template: replacement.count }}
          />
        </>
      )}
      {problem && <p role="alert">{problem}</p>}
      {part && !isBack && replacement.way !== null && (
        <Button variant="default" onClick={() => void lieThere()}>
          It lies there now
        </Button>
      )}
      <p className="soft small">
        {part === undefined
          ? 'It belongs to no part of the list: the plan does not wait for it.'
          : replacement.way === null
            ? 'Nothing decided yet: the plan keeps an evening’s step for it.'
            : isBack
              ? 'The plan waits for it no more.'
              : 'In the plan, before anything is joined to it.'}
      </p>
    </div>
  );
}
