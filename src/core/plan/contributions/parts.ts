import {
  counted,
  isPaintedLook,
  mainFinish,
  partLabel,
  readName,
  wantsFinish,
  WAY_NAMES,
  type Part,
} from '../../kit/index.ts';
import { BARE, COATS, EARLY, type KitAdvice } from '../advice/kitAdvice.ts';
import { few, joinsOf, traysOf, type DividedKit, type PlanContribution } from '../contribution.ts';
import type { TaskKind } from '../tasks.ts';
import { comingBack } from './comesBack.ts';

const HANDLING: readonly TaskKind[] = ['mask', 'flat', 'polish', 'foil', 'decal'];

/** What paint on it would spoil, or would not hold on, and why; undefined for what takes paint. */
function spoiltByPaint(part: Part, finishes: DividedKit['finishes']): string | undefined {
  // A finish of its own that is paint was meant.
  if (isPaintedLook(mainFinish(part, finishes)?.look ?? 'bare')) return undefined;
  if (part.material === 'clear') return 'it is clear';
  if (part.plated) return 'its plating is to stay';
  if (part.material === 'vinyl' || part.material === 'rubber') return 'paint stays sticky on it';
  return part.material === 'poly' ? 'no paint holds on it' : undefined;
}

const named = (parts: readonly Part[]) => few(parts.map(({ name }) => name.toLowerCase())).join(', ');

/** Parts that are to be kept out of the paint of their own sub-assembly. */
function keptOutOfPaint(tray: DividedKit['trays'][number], build: DividedKit): KitAdvice[] {
  const held = build.partsIn(tray);
  const apart = held.filter((part) => spoiltByPaint(part, build.finishes) !== undefined);
  // Where all are alike, what is laid on them is meant: a tint on lamps, a wash on tyres.
  if (apart.length === 0 || apart.length === held.length) return [];
  const reasons = new Set(apart.map((part) => spoiltByPaint(part, build.finishes)!));
  return [
    {
      rule: 'sprayed-with-the-rest',
      subject: tray.id,
      severity: 'warn',
      about: { trays: [tray.id], parts: apart.map(({ id }) => id) },
      text: `To be masked or left out: ${named(apart)}`,
      why: `They share a sub-assembly that is painted, and ${[...reasons].join('; ')}.`,
      remedy: 'Mask them before the first coat, or give them a sub-assembly of their own.',
      stage: 'kit',
      page: 'trays',
      at: { trays: [tray.id], joins: [], kinds: [...BARE, ...COATS], once: true, until: COATS },
    },
  ];
}

function partAdvice(part: Part, trayId: string, build: DividedKit): KitAdvice[] {
  const joins = joinsOf(build, [part.id]);
  const label = `${partLabel(part)} ${part.name}`;
  const back = comingBack(part, build.kit);
  const said = {
    subject: part.id,
    about: { trays: [trayId], parts: [part.id] },
    stage: 'kit' as const,
  };
  return [
    ...(part.note.trim() !== ''
      ? [
          {
            ...said,
            rule: 'part-note',
            severity: 'note' as const,
            topic: 'note' as const,
            text: label,
            why: part.note.trim(),
            source: 'your note on the part',
            at: { trays: [trayId], joins, kinds: EARLY, once: false },
          },
        ]
      : []),
    ...(back !== undefined && build.version.used.has(part.id)
      ? [
          {
            ...said,
            rule: 'part-lost',
            severity: back === null ? ('warn' as const) : ('note' as const),
            text: `${part.state === 'lost' ? 'Lost from the box' : 'To be replaced'}: ${label}`,
            why: 'What it sits on, and what sits on it, waits until it is found or made.',
            remedy:
              back === null
                ? 'Decide how it comes back under Detail, Lost and made; then mark where it came from.'
                : `Decided: ${WAY_NAMES[back.way!].toLowerCase()}. Say under Detail, Lost and made, that it lies there.`,
            at: { trays: [trayId], joins, kinds: [...BARE, ...COATS, 'assemble'] as const, once: true },
          },
        ]
      : []),
  ];
}

/** What is said once of some parts of a sub-assembly; nothing where there are none. */
const ofParts = (
  tray: DividedKit['trays'][number],
  held: readonly Part[],
  said: (names: string) => Omit<KitAdvice, 'subject' | 'stage' | 'about' | 'at'> & {
    at: Pick<KitAdvice['at'], 'kinds'> & Partial<KitAdvice['at']>;
  },
): KitAdvice[] => {
  if (held.length === 0) return [];
  const { at, ...words } = said(named(held));
  return [
    {
      ...words,
      subject: tray.id,
      stage: 'kit',
      about: { trays: [tray.id], parts: held.map(({ id }) => id) },
      at: { trays: [tray.id], joins: [], once: true, ...at },
    },
  ];
};

function trayAdvice(tray: DividedKit['trays'][number], build: DividedKit): KitAdvice[] {
  const held = build.partsIn(tray);
  const ids = new Set(tray.partIds);
  const joined = build.kit.joints.filter(({ id, a, b }) => ids.has(a) && ids.has(b) && !build.joinOf.has(id));
  const fragile = held.filter(
    (part) => part.fragile && joined.some(({ a, b }) => a === part.id || b === part.id),
  );
  const unfinished = held.filter(wantsFinish);
  return [
    ...ofParts(
      tray,
      held.filter(({ state }) => state === 'painted-before'),
      (names) => ({
        rule: 'old-paint',
        severity: 'warn',
        text: `Painted by someone else: ${names}`,
        why: 'What is under a new coat decides whether that holds, and nobody knows what it is.',
        remedy: 'Strip it, or key it and try the new paint on the inside first.',
        at: { kinds: [...BARE, ...COATS], until: COATS },
      }),
    ),
    ...ofParts(
      tray,
      held.filter(({ material }) => material === 'resin'),
      (names) => ({
        rule: 'resin-release',
        severity: 'note',
        topic: 'note',
        text: `Resin: ${names}`,
        why: 'Release agent keeps paint and glue off it, and its dust is harmful.',
        remedy: 'Wash it warm with soap and scrub; sand it wet, with a mask on.',
        at: { kinds: ['clean'] },
      }),
    ),
    ...ofParts(tray, fragile, (names) => ({
      rule: 'mind-the-fragile',
      severity: 'note',
      topic: 'note',
      text: `Mind what breaks: ${names}`,
      why: 'It is on already while this is rubbed and handled.',
      remedy: 'Hold it elsewhere, or join it after paint.',
      at: { kinds: HANDLING, once: false },
    })),
    ...ofParts(tray, unfinished, (names) => ({
      rule: 'no-finish',
      severity: 'warn',
      text: `Not decided: ${counted(unfinished.length, 'part')} without a finish`,
      why: `${names}: what they are joined to before paint, and what they are painted, is not known.`,
      remedy: 'Give them a finish before anything is joined.',
      page: 'roles',
      at: { kinds: [...BARE, ...COATS] },
    })),
    ...cloggedByFlock(tray, build),
  ];
}

/** Holes of a floor that fibres fill, and where later parts stand on it. */
function cloggedByFlock(tray: DividedKit['trays'][number], build: DividedKit): KitAdvice[] {
  const ids = new Set(tray.partIds);
  const onFloor = build.kit.joints.filter(
    ({ id, a, b }) => build.joinOf.has(id) && ids.has(a) !== ids.has(b),
  );
  const holes = build.kit.places.filter(({ partId, kind }) => ids.has(partId) && kind !== 'line');
  const clogged = [
    ...holes.map(({ name }) => name),
    ...onFloor.map(
      ({ a, b }) => `where ${build.parts.get(ids.has(a) ? b : a)?.name.toLowerCase() ?? 'a part'} goes`,
    ),
  ];
  if (clogged.length === 0) return [];
  return [
    {
      rule: 'flock-clogs',
      subject: tray.id,
      severity: 'warn',
      stage: 'kit',
      about: { trays: [tray.id], joints: onFloor.map(({ id }) => id) },
      text: `Flock clogs ${few(clogged).join(', ')}`,
      why: 'Half a millimetre of fibre stands under every seat and lever: they end up high, and their holes are gone.',
      remedy: 'Plug the holes with tape or a pin before the adhesive; try the seats before the roof goes on.',
      at: { trays: [tray.id], joins: [], kinds: ['flock'], once: true },
    },
  ];
}

const jointNotes = (build: DividedKit): KitAdvice[] =>
  build.kit.joints.flatMap((joint): KitAdvice[] => {
    if (joint.note.trim() === '') return [];
    const trays = traysOf(build, [joint.a, joint.b]);
    const join = build.joinOf.get(joint.id);
    const name = (id: string) => build.parts.get(id)?.name ?? id;
    return [
      {
        rule: 'joint-note',
        subject: joint.id,
        severity: 'note',
        topic: 'note',
        about: { trays, parts: [joint.a, joint.b], joints: [joint.id] },
        text: `${name(joint.a)} to ${name(joint.b).toLowerCase()}`,
        why: joint.note.trim(),
        source: 'your note on the joint',
        stage: 'kit',
        page: 'joints',
        at:
          join === undefined
            ? { trays, joins: [], kinds: ['join'], once: false }
            : { trays: [], joins: [join], kinds: ['assemble'], once: false },
      },
    ];
  });

/** Whether a part is a tyre: by its material, and by its name only where that is plain plastic. */
export const isTyre = ({ name, material }: Part): boolean =>
  material === 'vinyl' || material === 'rubber'
    ? [null, 'tyre'].includes(readName(name).thing?.id ?? null)
    : readName(name).thing?.id === 'tyre';

/** What the builder noted of parts and joints, and what parts are made of and have been through. */
export const parts: PlanContribution = {
  id: 'parts',
  kitAdvice: (build) => [
    ...build.trays.flatMap((tray) => [
      ...build.partsIn(tray).flatMap((part) => partAdvice(part, tray.id, build)),
      ...keptOutOfPaint(tray, build),
      ...trayAdvice(tray, build),
    ]),
    ...jointNotes(build),
  ],
};
