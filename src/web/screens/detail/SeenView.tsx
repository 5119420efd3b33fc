import { MultiSelect, SegmentedControl, SimpleGrid } from '@mantine/core';
import { useState } from 'react';
import { Link } from 'react-router';
import {
  newRecord,
  partBoxRecord,
  SHELLS,
  SHOWN_FROM,
  showingRecord,
  type Kit,
  type Showing,
  type ShownFrom,
} from '../../../core/kit/index.ts';
import { EachInTurn } from '../../components/InTurn.tsx';
import { ChoiceSelect } from '../../components/form/ChoiceSelect.tsx';
import { FigureInput } from '../../components/form/FigureInput.tsx';
import { AddFor } from './AddFor.tsx';
import { newId } from '../../data/newId.ts';
import { labelled } from '../kit/partNames.ts';
import type { DetailViewProps } from './detailView.ts';
import { OpenFigure } from './OpenFigure.tsx';
import { SeenParts } from './SeenParts.tsx';
import { usePutRecord } from './useDetailRecords.ts';
import { useSeen } from './useSeen.ts';
import { WorthTheTime } from './WorthTheTime.tsx';

const FROM_WORDS: Readonly<Record<ShownFrom, string>> = {
  table: 'round a table',
  shelf: 'on a shelf',
  hand: 'in the hand',
};
const SHELL_WORDS = {
  views: 'its body, as the views have it',
  none: 'no body: a motorcycle, a bare chassis',
} as const;
const { fields } = showingRecord;

/** How much of each part can be seen once the model is closed, and which detail is worth the time there is. */
export function SeenView({ build, kit }: DetailViewProps) {
  const { problem, put } = usePutRecord(build.id, 'showing');
  const showing = kit.showings[0] ?? { ...newRecord(showingRecord), id: `${build.id}-showing` };
  const change = (part: Partial<Showing>) => {
    const { id, ...value } = { ...showing, ...part };
    put(id, value, 'how it is shown');
  };
  const { state, newest } = useSeen(kit, build.scale);
  return (
    <>
      <section className="column" aria-label="What you decide">
        <h2>What is seen</h2>
        <EachInTurn first={1}>
          {problem && <p role="alert">{problem}</p>}
          <ShownHow kit={kit} showing={showing} onChange={change} />
          {newest && <SeenParts buildId={build.id} kit={kit} seen={newest} />}
          <PlaceAPart buildId={build.id} kit={kit} />
        </EachInTurn>
      </section>
      <section className="column" aria-label="What follows">
        <h2>What follows</h2>
        {state.kind === 'failed' && <p role="alert">It could not be worked out: {state.message}</p>}
        {newest === undefined && state.kind !== 'failed' && <p role="status">Looking from all sides…</p>}
        {newest === null && showing.shell === 'none' && (
          <div className="panel warned">
            <h3>No part is placed yet</h3>
            <p>
              Without a body, parts hide only each other: say where the large ones sit, and what lies behind
              them.
            </p>
          </div>
        )}
        {newest === null && showing.shell !== 'none' && (
          <div className="panel warned">
            <h3>No view shows its side</h3>
            <p>
              What hides and what opens is told from the views of the livery:{' '}
              <Link to={`/build/${build.id}/livery`}>draw or trace a side there</Link>, with its windows as
              openings.
            </p>
          </div>
        )}
        {newest && <WorthTheTime seen={newest} showing={showing} onChange={change} />}
      </section>
    </>
  );
}

interface ShownHowProps {
  kit: Kit;
  showing: Showing;
  onChange: (part: Partial<Showing>) => void;
}

/** From where the model is looked at, what hides its inside, and the time there is. */
const ShownHow = ({ kit, showing, onChange }: ShownHowProps) => (
  <section className="panel" aria-label="How it is shown">
    <SegmentedControl
      fullWidth
      size="xs"
      aria-label="Looked at"
      value={showing.from}
      onChange={(from) => onChange({ from: from })}
      data={SHOWN_FROM.map((value) => ({ value, label: FROM_WORDS[value] }))}
    />
    <SimpleGrid cols={{ base: 1, sm: 2 }} spacing="xs" mt={8}>
      <ChoiceSelect
        label="Its inside is hidden by"
        values={SHELLS}
        words={SHELL_WORDS}
        value={showing.shell ?? 'views'}
        onSave={(shell) => onChange({ shell })}
      />
      <FigureInput
        label="Time there is, minutes"
        step={30}
        field={fields.minutes}
        value={showing.minutes}
        onSave={(minutes) => onChange({ minutes })}
      />
    </SimpleGrid>
    {showing.shell !== 'none' && <Opened kit={kit} showing={showing} onChange={onChange} />}
  </section>
);

/** Through what the inside of a body is seen, and what of it stands open. */
function Opened({ kit, showing, onChange }: ShownHowProps) {
  // One end alone is no opening yet: it waits for the other.
  const [openFrom, setOpenFrom] = useState(showing.openFromMm);
  const [openTo, setOpenTo] = useState(showing.openToMm);
  const openRoof = (from: number | null, to: number | null) => {
    setOpenFrom(from);
    setOpenTo(to);
    if ((from === null) === (to === null)) onChange({ openFromMm: from, openToMm: to });
  };
  const doors = new Set(kit.views.flatMap(({ regions = [] }) => regions.map(({ partId }) => partId)));
  const openable = kit.parts.filter(({ id }) => doors.has(id));
  return (
    <>
      <SimpleGrid cols={2} spacing="xs" mt={8}>
        <FigureInput
          label="Light through glass, 0 to 1"
          step={0.05}
          field={fields.glass}
          value={showing.glass}
          onSave={(glass) => onChange({ glass })}
        />
        <OpenFigure
          label="Width of the model, mm"
          placeholder="as the views have it"
          field={fields.widthMm}
          value={showing.widthMm}
          onSave={(widthMm) => onChange({ widthMm })}
        />
        <OpenFigure
          label="No roof from, mm behind the front"
          placeholder="closed"
          field={fields.openFromMm}
          value={openFrom}
          onSave={(mm) => openRoof(mm, openTo)}
        />
        <OpenFigure
          label="… to, mm behind the front"
          placeholder="closed"
          field={fields.openToMm}
          value={openTo}
          onSave={(mm) => openRoof(openFrom, mm)}
        />
      </SimpleGrid>
      {openable.length > 0 ? (
        <MultiSelect
          size="xs"
          mt={8}
          label="Stands open"
          data={openable.map((part) => ({ value: part.id, label: labelled(part) }))}
          value={showing.openPartIds}
          onChange={(openPartIds) => onChange({ openPartIds })}
        />
      ) : (
        <p className="soft small">
          Doors and lids can stand open once a view has them as regions, under Livery.
        </p>
      )}
    </>
  );
}

/** Any part can be said to be somewhere, also one of which nothing is guessed, and one of the outside that hides others. */
function PlaceAPart({ buildId, kit }: { buildId: string; kit: Kit }) {
  const { problem, put } = usePutRecord(buildId, 'part-box');
  const placed = new Set(kit.partBoxes.map(({ partId }) => partId));
  const open = { ...kit, parts: kit.parts.filter(({ id }) => !placed.has(id)) };
  return (
    <div className="panel">
      {problem && <p role="alert">{problem}</p>}
      <AddFor
        kit={open}
        label="Say where a part sits"
        onAdd={(partId) => {
          const lengthMm = kit.parts.find((part) => part.id === partId)?.lengthMm ?? 10;
          put(newId(buildId), { ...newRecord(partBoxRecord), partId, lengthMm }, 'place of a part');
        }}
      />
    </div>
  );
}
