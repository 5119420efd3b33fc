import { figure } from '../../../../core/figures.ts';
import {
  inSeatColour,
  newRecord,
  packingFor,
  packingWords,
  seatOf,
  seatRecord,
  seatTwins,
  type Kit,
  type Seat,
} from '../../../../core/kit/index.ts';
import { worked } from '../../../../core/worked.ts';
import { DetailList, type DetailTools } from '../DetailList.tsx';
import type { DetailViewProps } from '../detailView.ts';
import { Fault } from '../Fault.tsx';
import { OpenFigures } from '../OpenFigures.tsx';
import { RecordCard } from '../RecordCard.tsx';
import { WordsInput } from '../WordsInput.tsx';

const { fields } = seatRecord;
const MEASURED = [
  ['rakeDeg', 'Its back leans, degrees'],
  ['reachMm', 'Foot of its back to the wheel, mm'],
  ['roofMm', 'Floor to roof lining, mm'],
  ['wheelMm', 'Floor to lower rim, mm'],
  ['sillMm', 'Floor to top of sill, mm'],
] as const;
const WANTED = [
  ['wantedHeightMm', 'Cushion of the reference, mm'],
  ['wantedRakeDeg', 'Its back leans, degrees, reference'],
] as const;

/** Seats: height, rake and reach against what is around them, and what has their colour. */
export const SeatsView = ({ build, kit }: DetailViewProps) => (
  <DetailList<Seat>
    buildId={build.id}
    kind="seat"
    title="Seats"
    all={kit.seats}
    fresh={newRecord(seatRecord)}
    word="Seat"
    addWords="Add a seat"
    teaches="Swapped seats stand too high, too low or too far from the wheel. Measure the dry fit in mm, as far as you can, and Fanfare says what goes under or comes off, whether a head fits under the roof, and whether a pair stands alike."
    nothing="No seat yet."
    decide={(seat, tools) => (
      <RecordCard
        record={seat}
        fields={fields}
        kit={kit}
        partLabel="The seat"
        figures={[
          ['heightMm', 'Floor to cushion, mm'],
          ['baseMm', 'Base, front to back, mm'],
        ]}
        {...tools}
        after={<SeatMeasures seat={seat} {...tools} />}
      />
    )}
    follows={(seat) => (
      <>
        {seat.id === kit.seats[0]?.id && <InTheirColour kit={kit} />}
        <SeatFollows seat={seat} kit={kit} scale={build.scale} />
      </>
    )}
  >
    {kit.seats.length === 0 && <InTheirColour kit={kit} />}
  </DetailList>
);

const SeatMeasures = ({ seat, onChange }: { seat: Seat } & Pick<DetailTools<Seat>, 'onChange'>) => (
  <>
    <OpenFigures
      record={seat}
      fields={fields}
      figures={MEASURED}
      placeholder="not measured"
      onChange={onChange}
    />
    <OpenFigures record={seat} fields={fields} figures={WANTED} placeholder="not known" onChange={onChange} />
    <WordsInput label="Note" field={fields.note} value={seat.note} onSave={(note) => onChange({ note })} />
  </>
);

const BY = { roof: 'Under the roof', wheel: 'Under the wheel', sill: 'Behind the sill' } as const;

function SeatFollows({ seat, kit, scale }: { seat: Seat; kit: Kit; scale: number }) {
  const { answer, fault } = worked(() => seatOf(seat, scale));
  if (fault !== undefined) return <Fault name={seat.name} fault={fault} />;
  const { bounds, clash, packMm, isBounded, wedgeMm, moveMm, headMm, broken } = answer;
  const twin = seatTwins(kit).find(({ a, b }) => a.id === seat.id || b.id === seat.id);
  return (
    <div className={`panel${clash || broken.length > 0 ? ' warned' : ''}`}>
      <h3>{seat.name}</h3>
      {bounds.length === 0 && (
        <p className="soft small">
          Nothing around it is measured yet: roof, wheel or sill, and its height follows.
        </p>
      )}
      {bounds.map((bound) => (
        <p key={bound.by}>
          {BY[bound.by]} its cushion may be {bound.side === 'most' ? 'up to' : 'from'}{' '}
          <b className="mono">{figure(bound.mm, 'mm', 1)}</b> high
          {broken.includes(bound) ? ': it is not.' : '.'}
        </p>
      ))}
      {clash && <p role="alert">No height keeps both: one of them is measured wrong, or gives way.</p>}
      {packMm !== undefined && <Packing packMm={packMm} isBounded={isBounded} kit={kit} />}
      {headMm !== undefined && (
        <p>
          Then <span className="mono">{figure(headMm, 'mm', 0)}</span> of the real car are left over a head.
        </p>
      )}
      {wedgeMm !== undefined && wedgeMm !== 0 && (
        <p>
          A wedge of <b className="mono">{figure(Math.abs(wedgeMm), 'mm')}</b> under its{' '}
          {wedgeMm > 0 ? 'front' : 'rear'} edge leans it as the reference does.
        </p>
      )}
      {moveMm !== undefined && moveMm !== 0 && (
        <p>
          <b className="mono">{figure(Math.abs(moveMm), 'mm')}</b> {moveMm > 0 ? 'forward' : 'back'}, and the
          wheel is in reach.
        </p>
      )}
      {twin && <TwinLine seat={seat} twin={twin} />}
    </div>
  );
}

function Packing({ packMm, isBounded, kit }: { packMm: number; isBounded: boolean; kit: Kit }) {
  if (packMm === 0) return <p>It stands right: nothing goes under it.</p>;
  const packing = packMm > 0 ? packingFor(packMm, kit) : undefined;
  return (
    <p>
      {packing ? (
        <>
          Under it <b className="mono">{figure(packMm, 'mm')}</b>: {packingWords(packing)}.
        </>
      ) : (
        <>
          Take <b className="mono">{figure(-packMm, 'mm')}</b> off its base.
        </>
      )}
      {isBounded && ' The reference has it otherwise; this is the nearest that fits.'}
    </p>
  );
}

const TwinLine = ({
  seat,
  twin: { a, b, differ },
}: {
  seat: Seat;
  twin: ReturnType<typeof seatTwins>[number];
}) => {
  const other = a.id === seat.id ? b : a;
  return (
    <p className={differ.length > 0 ? 'finding warn' : 'soft small'}>
      {differ.length === 0
        ? `It stands as ${other.name.toLowerCase()} does.`
        : `It differs from ${other.name.toLowerCase()}: ${differ.map(({ what, by }) => `${what} by ${by.toFixed(1)}${what === 'rake' ? '°' : ' mm'}`).join(', ')}.`}
    </p>
  );
};

/** Places of other parts that belong to the seats' colour. */
function InTheirColour({ kit }: { kit: Kit }) {
  const found = inSeatColour(kit);
  if (found.length === 0) return null;
  return (
    <div className="panel">
      <h3>In the seats’ colour</h3>
      {found.map(({ part, zones, finish, seat }) => (
        <p key={part.id}>
          {zones.map(({ name }) => name).join(', ')} of {part.name.toLowerCase()}: {finish.name}, as{' '}
          {seat.name.toLowerCase()}. From one cup, the lighter colour first, one mask.
        </p>
      ))}
    </div>
  );
}
