import { Button, Group, Textarea } from '@mantine/core';
import { format } from 'date-fns';
import { CARD_MM } from '../../../../core/record/index.ts';
import { bookRecord, type Book } from '../../../../core/kit/index.ts';
import { textLimits } from '../../../components/limits.ts';
import { DAYS } from '../../../components/time.ts';
import { dateOrder } from '../../../data/clock.ts';
import { saveFile } from '../../../data/saveFile.ts';
import { SendToDevice } from '../../livery/SendToDevice.tsx';
import type { LogInputs } from '../log/useLog.ts';
import { useCard, useDrawnCard } from './useBook.ts';

const day = (minutes: number) => format(new Date(minutes * 60_000), DAYS[dateOrder()].far);

interface ShowCardProps {
  sources: LogInputs;
  book: Book;
  onPut: (said: Partial<Book>) => void;
}

/** The card that stands beside the model at a show. */
export function ShowCard({ sources, book, onPut }: ShowCardProps) {
  const card = useCard(sources, day);
  const { state, newest: drawn } = useDrawnCard(card);
  return (
    <div className="stacked g8">
      <div className="panel stacked g8">
        <h3>Card beside the model</h3>
        <p className="small soft">
          A7, {CARD_MM.width} by {CARD_MM.height} mm, at exact size: name, scale, builder, hours and the
          colours.
        </p>
        <Textarea
          key={book.cardWords}
          label="Words on it"
          rows={2}
          {...textLimits(bookRecord.fields.cardWords)}
          defaultValue={book.cardWords}
          onBlur={({ currentTarget: { value } }) => value !== book.cardWords && onPut({ cardWords: value })}
        />
        {state.kind === 'failed' && <p role="alert">{state.message}</p>}
        {drawn && (
          <>
            <svg
              className="showcard"
              viewBox={`0 0 ${CARD_MM.width} ${CARD_MM.height}`}
              role="img"
              aria-label={`Card: ${[card.title, ...card.lines, card.words].filter(Boolean).join('; ')}`}
            >
              {drawn.page.paths.map(({ d, fill, stroke, strokeMm }, at) => (
                <path key={at} d={d} fill={fill ?? 'none'} stroke={stroke} strokeWidth={strokeMm} />
              ))}
            </svg>
            {drawn.isCut && <p className="small">There is no room for all of it: shorten the words.</p>}
            {drawn.missing.length > 0 && (
              <p className="small">
                The signwriter’s face has no {drawn.missing.join(' ')}: a gap stands there on the card.
              </p>
            )}
            <Group>
              <Button
                variant="default"
                onClick={() =>
                  saveFile(`card-${sources.build.id}.pdf`, drawn.pdf as BlobPart, 'application/pdf')
                }
              >
                Save the card as PDF
              </Button>
            </Group>
          </>
        )}
      </div>
      <SendToDevice
        device="label-printer"
        name={`Card of ${sources.build.name}`.slice(0, 80)}
        files={drawn ? [drawn.svg] : []}
      />
    </div>
  );
}
