import { DayField } from '../../components/DayField.tsx';
import { schemaNumberLimits, schemaTextLimits } from '../../components/limits.ts';
import { figure } from '../../../core/figures.ts';
import { Checkbox, NumberInput, Textarea, TextInput, UnstyledButton, VisuallyHidden } from '@mantine/core';
import { useMemo } from 'react';
import { type PaintRecord, paintUpdate, shelfInput } from '../../../api/index.ts';
import { spectrumToDisplay } from '../../../core/colour/index.ts';
import { FAMILIES, opaqueInSheen, type FamilyId } from '../../../core/finish/index.ts';
import { substitutes } from '../../../core/match/index.ts';
import { Notice } from '../../components/Notice.tsx';
import { PROVENANCE_WORDS } from '../../components/provenance.ts';
import { Spoon } from '../../components/Spoon.tsx';
import { savePaint, saveShelf } from '../../data/bench.ts';
import type { LevelNow } from '../../../core/record/index.ts';
import { LevelPanel } from './LevelPanel.tsx';
import { PaintMeasures } from './PaintMeasures.tsx';

interface PaintPanelProps {
  paint: PaintRecord;
  paints: readonly PaintRecord[];
  level: LevelNow | undefined;
  onRead: () => void;
  onOpen: (id: string) => void;
  onClose: () => void;
}

const SUBSTITUTES = 4;
/** A chemistry by its name, anything else as it is. */
const worded = (difference: string) =>
  difference in FAMILIES ? FAMILIES[difference as FamilyId].name : difference;

/** One paint: what it is, what is left of it and where, how surely it is known, and what could stand in for it. */
export function PaintPanel({ paint, paints, level, onRead, onOpen, onClose }: PaintPanelProps) {
  const family = FAMILIES[paint.family];
  const instead = useMemo(() => substitutes(paint, paints, SUBSTITUTES), [paint, paints]);
  const hexOf = (other: PaintRecord) => spectrumToDisplay(opaqueInSheen(other, other.sheen)).hex;
  const owned = paint.levelMl !== null;
  const put = (change: Partial<Pick<PaintRecord, 'openedOn' | 'place' | 'note'>>, label: string) => {
    if (paint.levelMl === null) return;
    const { levelMl, openedOn, place, note } = paint;
    void saveShelf(paint, { levelMl, openedOn, place, note, ...change }, label).catch(() => undefined);
  };
  return (
    <aside className="panel stacked g10" aria-label={`Paint ${paint.id}`}>
      <div className="in-row apart g8">
        <h3>
          <span className="mono">{paint.id}</span> {paint.name}
        </h3>
        <UnstyledButton className="plain" aria-label="Close this paint" onClick={onClose}>
          ✕
        </UnstyledButton>
      </div>
      <Notice
        text={paint.notice}
        onUnderstood={() =>
          void savePaint(paint, { notice: '' }, `note on ${paint.name}`).catch(() => undefined)
        }
      />
      <div className="in-row g12">
        <span className="coatground">
          <Spoon hex={hexOf(paint)} flakeUm={paint.flakeUm} width={54} label={paint.name} />
        </span>
        <dl className="rows small" style={{ flex: 1, alignContent: 'start' }}>
          <dt>Chemistry</dt>
          <dd>{family.name}</dd>
          <dt>Sheen, hiding</dt>
          <dd>
            {paint.sheen}, {paint.hiding}
          </dd>
          <dt>Solids, thinner</dt>
          <dd className="mono">
            {Math.round(100 * family.solids)} %, {Math.round(100 * family.thinner)} %
          </dd>
          {paint.flakeUm !== null && (
            <>
              <dt>Flake</dt>
              <dd className="mono">{paint.flakeUm} µm</dd>
            </>
          )}
          <dt>{PROVENANCE_WORDS[paint.provenance]}</dt>
          <dd>
            <UnstyledButton className="why" onClick={onRead}>
              <span className="mono">±{figure(paint.uncertainty, 'dE')}</span> read
              <VisuallyHidden>
                {' '}
                {paint.id} {paint.name}
              </VisuallyHidden>
            </UnstyledButton>
          </dd>
        </dl>
      </div>
      {owned ? (
        <>
          <LevelPanel key={paint.id} paint={paint} level={level} />
          <div className="stacked two-columns g8">
            <DayField
              label="Opened"
              value={paint.openedOn}
              onChange={(day) => put({ openedOn: day }, `${paint.name} opened`)}
            />
            <TextInput
              label="Stands in"
              key={`place ${paint.id} ${paint.place}`}
              defaultValue={paint.place}
              {...schemaTextLimits(shelfInput, 'place')}
              onBlur={({ currentTarget: { value } }) => {
                if (value.trim() !== paint.place) put({ place: value.trim() }, `place of ${paint.name}`);
              }}
            />
          </div>
          <Textarea
            label="Note"
            autosize
            minRows={1}
            maxRows={4}
            {...schemaTextLimits(shelfInput, 'note')}
            key={`note ${paint.id} ${paint.note}`}
            defaultValue={paint.note}
            onBlur={({ currentTarget: { value } }) => {
              if (value !== paint.note) put({ note: value }, `note on ${paint.name}`);
            }}
          />
        </>
      ) : (
        <p className="soft small">
          Not on the shelf. Put it there to say when it was opened and where it stands.
        </p>
      )}
      <div className="stacked two-columns g8 low">
        <NumberInput
          label="Price, €"
          // Not fixed to two digits: padding what is being typed moves the caret when an answer comes in between.
          decimalScale={2}
          {...schemaNumberLimits(paintUpdate, 'priceCents', 100)}
          hideControls
          key={`price ${paint.id} ${paint.priceCents}`}
          defaultValue={(paint.priceCents / 100).toFixed(2)}
          onBlur={({ currentTarget: { value } }) => {
            const cents = Math.round(100 * Number(value));
            if (value.trim() !== '' && Number.isFinite(cents) && cents !== paint.priceCents)
              void savePaint(paint, { priceCents: cents }, `price of ${paint.name}`).catch(() => undefined);
          }}
        />
        <Checkbox
          label="no longer made"
          checked={paint.discontinued}
          mb={8}
          onChange={({ currentTarget: { checked } }) =>
            void savePaint(
              paint,
              { discontinued: checked },
              `${paint.name} ${checked ? 'discontinued' : 'made'}`,
            ).catch(() => undefined)
          }
        />
      </div>
      <PaintMeasures paint={paint} />
      {instead.length > 0 && (
        <div>
          <h3>Could stand in for it</h3>
          {instead.map(({ id, dE00, differs }) => {
            const other = paints.find((one) => one.id === id)!;
            return (
              <UnstyledButton key={id} className="offer standin" onClick={() => onOpen(id)}>
                <span className="dot" style={{ background: hexOf(other) }} aria-hidden />
                <span className="shrinks">
                  <span className="mono small">{id}</span> {other.name}
                  <span className="soft small block">
                    {[other.levelMl !== null ? 'on the shelf' : 'to buy', ...differs.map(worded)].join(', ')}
                  </span>
                </span>
                <span className="mono">{figure(dE00, 'dE')}</span>
              </UnstyledButton>
            );
          })}
        </div>
      )}
    </aside>
  );
}
