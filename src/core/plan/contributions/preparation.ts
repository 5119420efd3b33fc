import { partLabel, type Joint, type Part } from '../../kit/index.ts';
import { few, trayTask, type PlanContribution, type TrayTask } from '../contribution.ts';

const STRAIGHTEN = { start: 8, perPart: 6, cool: 60 };
const TRUE = { start: 6, perPart: 5 };
const FILL = { start: 10, perSeam: 6, perSink: 4, hard: 6 * 60 };
const GLASS = { start: 6, each: 4 };

const names = (parts: readonly Part[]) => few(parts.map(({ name }) => name));

function straighten(trayId: string, bent: readonly Part[]): TrayTask[] {
  if (bent.length === 0) return [];
  return [
    trayTask('straighten', trayId, {
      title: 'Straighten',
      minutes: STRAIGHTEN.start + STRAIGHTEN.perPart * bent.length,
      waitMinutes: STRAIGHTEN.cool,
      waitBecause: 'straightened parts must cool, held down, before they are trusted',
      because: 'A bent part will not lie against its neighbour, and glue only holds the strain for a while.',
      details: [
        ...names(bent),
        'hot water, not a flame: bend a little past true, hold under cold water, look again on a flat plate',
      ],
    }),
  ];
}

function trueFaces(trayId: string, shifted: readonly Part[]): TrayTask[] {
  if (shifted.length === 0) return [];
  return [
    trayTask('true', trayId, {
      title: 'Cut pins, true the faces',
      minutes: TRUE.start + TRUE.perPart * shifted.length,
      because:
        'Pins and holes of worn tools no longer meet: halves slide into register on flat faces instead.',
      details: [
        ...names(shifted),
        'cut the pins, rub both faces flat on a sheet of abrasive, then look again at what sits on them',
      ],
    }),
  ];
}

function fill(
  trayId: string,
  seams: readonly Joint[],
  sunk: readonly Part[],
  jointWords: (joint: Joint) => string,
): TrayTask[] {
  if (seams.length + sunk.length === 0) return [];
  return [
    trayTask('fill', trayId, {
      title: 'Fill and sand',
      minutes: FILL.start + FILL.perSeam * seams.length + FILL.perSink * sunk.length,
      waitMinutes: FILL.hard,
      waitBecause: 'filler shrinks until it is hard; primer over soft filler sinks with it',
      because: 'Seams and sink marks show through every coat, and cannot be mended beneath colour.',
      details: [
        ...few([...seams.map(jointWords), ...sunk.map((part) => `sink marks of ${part.name.toLowerCase()}`)]),
        'thin layers; sand 400, 800, 1000 and scribe lines anew where they were lost',
      ],
    }),
  ];
}

function polishGlass(trayId: string, held: readonly Part[]): TrayTask[] {
  const clear = held.filter((part) => part.material === 'clear');
  if (clear.length === 0 || clear.length < held.length) return [];
  return [
    trayTask('glass', trayId, {
      title: 'Polish and dust off',
      minutes: GLASS.start + GLASS.each * clear.reduce((sum, { count }) => sum + count, 0),
      because: 'Dust and prints on the inside are shut in once the glass is fitted.',
      details: [...names(clear), 'polish on a soft cloth, wash, dry under a cover; gloves from here on'],
    }),
  ];
}

/** What parts ask for before they are painted: bent, out of register, sunk, seamed, clear. */
export const preparation: PlanContribution = {
  id: 'preparation',

  trayTasks({ kit, trays, parts, partsIn, joinOf }) {
    const name = (id: string) => parts.get(id)?.name ?? id;
    const jointWords = ({ a, b }: Joint) => `${name(a)} to ${name(b).toLowerCase()}`;
    return trays.flatMap((tray) => {
      const held = partsIn(tray);
      const ids = new Set(tray.partIds);
      const seams = kit.joints.filter(
        ({ id, a, b, seam }) => seam === 'vanish' && ids.has(a) && ids.has(b) && !joinOf.has(id),
      );
      const asking = (need: Part['needs'][number]) => held.filter(({ needs }) => needs.includes(need));
      return [
        ...straighten(tray.id, asking('warp')),
        ...trueFaces(tray.id, asking('pins')),
        ...fill(tray.id, seams, asking('sink'), jointWords),
        ...polishGlass(tray.id, held),
      ];
    });
  },

  needs({ parts, material }) {
    const list = (held: readonly Part[]) =>
      held
        .slice(0, 3)
        .map((part) => partLabel(part))
        .join(', ') + (held.length > 3 ? ` and ${held.length - 3} more` : '');
    const filled = parts.filter(({ needs }) => needs.includes('seam') || needs.includes('sink'));
    const shifted = parts.filter(({ needs }) => needs.includes('pins'));
    return [
      ...(filled.length > 0
        ? [
            material('filler', 'two-part putty', `seams and sink marks on ${list(filled)}`, {
              substitute: 'cyanoacrylate as filler',
              looks: 'none, if it is sanded within the hour',
            }),
          ]
        : []),
      ...(shifted.length > 0
        ? [
            material('reamer', 'reamer or drill', `pins out of line on ${list(shifted)}`, {
              substitute: 'cut the pins off',
              looks: 'none',
            }),
          ]
        : []),
    ];
  },
};
