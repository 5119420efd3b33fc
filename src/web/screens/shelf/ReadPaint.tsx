import { figure } from '../../../core/figures.ts';
import { Modal } from '@mantine/core';
import type { PaintRecord } from '../../../api/index.ts';
import { FAMILIES } from '../../../core/finish/index.ts';
import { ReaderPanel } from '../../components/ReaderPanel.tsx';
import { readPaintCard, setAside, useCards } from '../../data/cups.ts';
import { RemoveButton } from '../../components/RemoveButton.tsx';

interface ReadPaintProps {
  paint: PaintRecord;
  onClose: () => void;
}

/** Readings of one paint over black and over white, which turn a guessed paint into a known one. */
export function ReadPaint({ paint, onClose }: ReadPaintProps) {
  const cards = (useCards().data ?? []).filter(({ drops, aside }) => paint.id in drops && !aside);
  const overs = new Set(cards.map(({ over }) => over));
  const next = !overs.has('black') ? 'black' : !overs.has('white') ? 'white' : undefined;
  return (
    <Modal opened onClose={onClose} title={`How surely ${paint.name} is known`} size="md">
      <div className="stacked g12">
        <p>
          Masstone known to <b className="mono">±{figure(paint.uncertainty, 'dE')}</b>
          {paint.refit
            ? `, before its ${paint.refit.readings === 1 ? 'reading' : `${paint.refit.readings} readings`} ±${figure(paint.refit.uncertainty, 'dE')}.`
            : '. Nothing was read of it yet.'}{' '}
          {next
            ? `A card sprayed over ${next} and read says ${next === 'black' ? 'how much it scatters' : 'how much it absorbs'}.`
            : 'Both cards are read; further ones narrow it slowly.'}
        </p>
        {cards.length > 0 && (
          <ul className="plainlist" style={{ margin: 0, paddingLeft: 0, listStyle: 'none' }}>
            {cards.map((card) => (
              <li key={card.id} className="in-row apart g10">
                <span>
                  over {card.over}, <span className="mono">{figure(card.filmUm, 'µm')}</span>, three readings
                  within <span className="mono">{figure(card.spread, 'dE', 2)}</span>
                </span>
                <RemoveButton
                  name={`Set the card over ${card.over} aside`}
                  onRemove={() =>
                    void setAside(card, `card of ${paint.name} set aside`).catch(() => undefined)
                  }
                />
              </li>
            ))}
          </ul>
        )}
        <ReaderPanel
          subject="a card of this paint"
          coatUm={FAMILIES[paint.family].filmPerCoat.usual}
          onRead={(reading) => readPaintCard(paint.id, reading)}
        />
      </div>
    </Modal>
  );
}
