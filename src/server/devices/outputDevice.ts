import type { OutputDeviceId, OutputDeviceRecord, OutputJobInput } from '../../api/index.ts';
import { PLOTTER_UNITS_PER_MM } from '../../core/livery/index.ts';
import { ProblemError } from '../problem.ts';
import { randomFrom } from './simulatedGroundTruth.ts';

/** What a machine that takes sheets must do, a cutter or a printer; a driver of a real one takes this place. Each act refuses
 *  with a ProblemError that says what to do first, and answers with nothing: `state` tells. */
export interface OutputDevice {
  state: () => OutputDeviceRecord;
  connect: () => void;
  disconnect: () => void;
  /** Fresh sheets are in; a crooked one is laid straight. */
  load: () => void;
  start: (job: OutputJobInput) => void;
  pause: () => void;
  /** Goes on with the piece at which it stopped. */
  resume: () => void;
  cancel: () => void;
}

/** One thing that is made in one go: a cut, a page. */
interface Piece {
  sheet: number;
  ms: number;
}

/** What tells one machine from another. */
interface Make {
  id: OutputDeviceId;
  name: string;
  /** Sheets that it takes at a time. */
  holds: number;
  media: string;
  /** Share of pieces at which the sheet slips. */
  slips: number;
  piecesOf: (file: string, sheet: number) => Piece[];
}

const CUT_MM_PER_MS = 0.04;
const PLUNGE_MS = 400;
const PAGE_MS = 6000;

/** The cuts of a plot: each goes from where the knife comes down to where it is lifted. Throws ProblemError for what is no
 *  plot. */
function cutsOf(plot: string, sheet: number): Piece[] {
  const pieces: Piece[] = [];
  let at: [number, number] = [0, 0];
  for (const command of plot.split(';').map((each) => each.trim())) {
    if (command === '' || /^(IN|SP\d)$/.test(command)) continue;
    const [, pen, said] = /^(PU|PD)((?:-?\d+,-?\d+)(?:,-?\d+,-?\d+)*)$/.exec(command) ?? [];
    if (!pen || !said) throw noPlot(command);
    const numbers = said.split(',').map(Number);
    let mm = 0;
    for (let each = 0; each < numbers.length; each += 2) {
      const to: [number, number] = [numbers[each]!, numbers[each + 1]!];
      mm += Math.hypot(to[0] - at[0], to[1] - at[1]) / PLOTTER_UNITS_PER_MM;
      at = to;
    }
    if (pen === 'PD') pieces.push({ sheet, ms: PLUNGE_MS + mm / CUT_MM_PER_MS });
  }
  if (pieces.length === 0) throw noPlot('nothing to cut');
  return pieces;
}

const noPlot = (found: string) =>
  refused(
    422,
    'That is no plot',
    `The plot holds “${found.slice(0, 40)}”, which this cutter does not know.`,
    'Nothing was cut. Send what Fanfare writes for a cutter.',
  );

const MAKES: Readonly<Record<OutputDeviceId, Make>> = {
  cutter: {
    id: 'cutter',
    name: 'Film cutter (simulated)',
    holds: 1,
    media: 'film',
    slips: 0.03,
    piecesOf: cutsOf,
  },
  'label-printer': {
    id: 'label-printer',
    name: 'Label printer (simulated)',
    holds: 4,
    media: 'sheets',
    slips: 0,
    piecesOf: (_drawing, sheet) => [{ sheet, ms: PAGE_MS }],
  },
};

const refused = (status: number, title: string, detail: string, remedy: string) =>
  new ProblemError({ status, type: '/problems/output-device', title, detail, remedy });

interface Job {
  name: string;
  pieces: Piece[];
  /** Pieces that are whole. */
  done: number;
  /** Sheets that were taken in for it. */
  taken: number;
  spoilt: number;
  /** Of the piece that is being made, ms; and since when it goes on, null while it stands. */
  spent: number;
  since: number | null;
  stop: OutputDeviceRecord['stop'];
}

/** A machine that behaves like one: it works at its pace, runs out of what it works on, and now and then a sheet slips under a
 *  cutter and the piece is spoilt. The same seed and the same acts at the same times give the same. */
export function simulatedOutput(id: OutputDeviceId, clock: () => number, seed: number): OutputDevice {
  const make = MAKES[id];
  let isThere = false;
  let loaded = 0;
  let job: Job | null = null;
  let jobs = 0;

  const slips = (of: Job) =>
    randomFrom('slip', seed, id, jobs, of.done, of.spoilt)() < make.slips * (of.spoilt > 0 ? 0.2 : 1);

  const stopFor = (of: Job, stop: NonNullable<OutputDeviceRecord['stop']>) => {
    of.since = null;
    of.stop = stop;
  };

  /** Brings the job to where it is by now. */
  function goOn(): void {
    if (!job || job.since === null) return;
    // A clock that was set back stands still.
    let ms = Math.max(0, clock() - job.since);
    job.since = clock();
    while (job.done < job.pieces.length) {
      const piece = job.pieces[job.done]!;
      if (piece.sheet >= job.taken) {
        if (loaded === 0) return stopFor(job, 'out');
        loaded--;
        job.taken++;
      }
      const left = piece.ms - job.spent;
      if (ms < left) {
        job.spent += ms;
        return;
      }
      ms -= left;
      job.spent = 0;
      if (slips(job)) {
        job.spoilt++;
        return stopFor(job, 'slipped');
      }
      job.done++;
    }
    job.since = null;
  }

  function requireThere(): void {
    if (!isThere)
      throw refused(409, 'Not connected', `The ${make.name} is not connected.`, 'Connect it first.');
  }
  function requireJob(): Job {
    requireThere();
    goOn();
    if (!job || job.done === job.pieces.length)
      throw refused(409, 'Nothing to do', `The ${make.name} has no job.`, 'Send it one first.');
    return job;
  }

  return {
    state() {
      goOn();
      const isDone = job !== null && job.done === job.pieces.length;
      return {
        id,
        name: make.name,
        simulated: true,
        media: make.media,
        loaded,
        state: !isThere
          ? 'away'
          : job === null
            ? 'ready'
            : isDone
              ? 'done'
              : job.since !== null
                ? 'working'
                : 'standing',
        stop: isDone ? null : (job?.stop ?? null),
        job: job && { name: job.name, pieces: job.pieces.length, done: job.done, spoilt: job.spoilt },
      };
    },
    connect() {
      isThere = true;
    },
    disconnect() {
      goOn();
      if (job && job.done < job.pieces.length) stopFor(job, 'unplugged');
      isThere = false;
    },
    load() {
      requireThere();
      goOn();
      loaded = make.holds;
      if (job?.stop === 'slipped') loaded = Math.max(0, make.holds - 1);
    },
    start(input) {
      requireThere();
      goOn();
      if (job && job.done < job.pieces.length)
        throw refused(
          409,
          'Still at work',
          `The ${make.name} has not ended “${job.name}”.`,
          'Let it end, or cancel that first.',
        );
      const pieces = input.files.flatMap((file, sheet) => make.piecesOf(file, sheet));
      jobs++;
      job = {
        name: input.name,
        pieces,
        done: 0,
        taken: 0,
        spoilt: 0,
        spent: 0,
        since: clock(),
        stop: null,
      };
      goOn();
    },
    pause() {
      const now = requireJob();
      if (now.since !== null) stopFor(now, 'paused');
    },
    resume() {
      const now = requireJob();
      if (now.since !== null) return;
      if (now.stop === 'out' && loaded === 0)
        throw refused(409, 'Nothing loaded', `The ${make.name} is out of ${make.media}.`, 'Load it first.');
      now.since = clock();
      now.stop = null;
    },
    cancel() {
      requireJob();
      job = null;
    },
  };
}
