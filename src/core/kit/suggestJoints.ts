import { areaOf, type Joint, type JointKind, type Kit, type Motion, type Part, type Seam } from './kit.ts';
import { plainJoint } from './plainKit.ts';

/** A joint that the names of the parts suggest, with the reason. */
export interface JointSuggestion {
  joint: Joint;
  because: string;
}

interface Pattern {
  part: RegExp;
  /** What it usually goes on, best first. */
  host: RegExp[];
  kind: JointKind;
  seam?: Seam;
  motion?: Motion;
  because: string;
}

const PATTERNS: readonly Pattern[] = [
  {
    part: /\b(tyre|tire)s?\b/i,
    host: [/\b(rim|wheel)s?\b/i],
    kind: 'tyre',
    because: 'a tyre goes on its rim',
  },
  {
    part: /\b(hub ?cap|trim ring|hub nut)s?\b/i,
    host: [/\b(rim|wheel)s?\b/i],
    kind: 'press',
    because: 'hub caps press into the wheel',
  },
  {
    part: /\b(bush|bushing|poly cap)s?\b/i,
    host: [/\b(hub|back plate|rim|wheel)s?\b/i],
    kind: 'sits-in',
    because: 'a bushing sits in its hub',
  },
  {
    part: /\b(rim|wheel)s?\b(?!.*\b(steering|arch|well)\b)/i,
    host: [/\b(back plate|brake drum|brake disc|hub)s?\b/i, /\baxles?\b/i],
    kind: 'press',
    motion: 'turns',
    because: 'wheels turn on their hubs',
  },
  {
    part: /\b(back plate|brake drum|brake disc)s?\b/i,
    host: [/\b(axle|upright|fork leg|arm)s?\b/i],
    kind: 'cement',
    because: 'brakes sit on the axle ends',
  },
  {
    part: /\b(lens|glass|window|windscreen|windshield|screen pane)(es|s)?\b/i,
    host: [/\b(lamp|bezel|screen frame|door)s?\b/i, /\b(body|cab|cowl|roof)\b/i],
    kind: 'glass',
    because: 'glass sits in its opening',
  },
  {
    part: /\bsteering wheel\b/i,
    host: [/\bcolumn\b/i],
    kind: 'cement',
    because: 'the wheel ends the column',
  },
  {
    part: /\b(steering )?column\b/i,
    host: [/\bdash(board)?\b/i, /\btub\b/i],
    kind: 'cement',
    because: 'the column hangs under the dash',
  },
  {
    part: /\b(gauge|instrument)s?\b/i,
    host: [/\bdash(board)?\b/i],
    kind: 'sits-in',
    because: 'instruments sit in the dash',
  },
  {
    part: /\bdash(board)?\b/i,
    host: [/\bcowl\b/i, /\btub\b/i, /\b(body|cab)\b/i],
    kind: 'cement',
    because: 'the dash is fixed under the cowl',
  },
  {
    part: /\b(seat|bench)s?\b/i,
    host: [/\btub\b/i, /\bfloor\b/i, /\bframe\b/i],
    kind: 'cement',
    because: 'seats stand in the tub',
  },
  {
    part: /\bdoor (card|panel)s?\b/i,
    host: [/\btub\b/i, /\bdoors?\b/i],
    kind: 'cement',
    because: 'door cards line the tub',
  },
  {
    part: /\b(lever|pedal|handle|crank)s?\b/i,
    host: [/\b(tub|door card|gearbox|floor)s?\b/i, /\b(body|frame)\b/i],
    kind: 'cement',
    because: 'levers stand in the floor',
  },
  {
    part: /\b(hood|bonnet|boot lid|trunk lid|filler flap|door)s?\b/i,
    host: [/\b(body|cab)\b/i, /\bcowl\b/i],
    kind: 'hinge',
    motion: 'swings',
    seam: 'panel-line',
    because: 'lids and doors swing on the body',
  },
  {
    part: /\bhinges?\b/i,
    host: [/\b(hood|bonnet|lid|door)s?\b/i, /\bbody\b/i],
    kind: 'cement',
    because: 'hinges are fixed to what swings',
  },
  {
    part: /\b(head)s?\b(?!lamp|light)/i,
    host: [/\b(block|cylinder)s?\b/i],
    kind: 'cement',
    because: 'heads bolt to the block',
  },
  {
    part: /\b(rocker|valve|cam) ?(cover|box)(es|s)?\b/i,
    host: [/\bheads?\b/i, /\bblock\b/i],
    kind: 'cement',
    because: 'covers close the heads',
  },
  {
    part: /\bcylinders?\b/i,
    host: [/\b(crankcase|block)\b/i],
    kind: 'cement',
    because: 'cylinders stand on the crankcase',
  },
  {
    part: /\b(sump|oil pan)\b/i,
    host: [/\bblock|crankcase\b/i],
    kind: 'cement',
    seam: 'panel-line',
    because: 'the sump closes the block',
  },
  {
    part: /\b(carburettor|carburetor|air cleaner|intake|blower)s?\b/i,
    host: [/\b(intake|manifold)s?\b/i, /\b(block|cylinders?|head)\b/i],
    kind: 'cement',
    because: 'it feeds the engine',
  },
  {
    part: /\bmanifolds?\b/i,
    host: [/\bheads?\b/i, /\bblock\b/i],
    kind: 'cement',
    because: 'manifolds bolt to the heads',
  },
  {
    part: /\b(gearbox|bell housing|clutch|timing cover|magneto|distributor|dynamo|generator|starter|oil filter|water pump|fuel pump|coil)s?\b/i,
    host: [/\b(block|crankcase)\b/i],
    kind: 'cement',
    because: 'it hangs on the block',
  },
  {
    part: /\b(fan|pulley|belt)s?\b/i,
    host: [/\bwater pump\b/i, /\bblock\b/i],
    kind: 'cement',
    because: 'fan and pulleys sit on the front of the block',
  },
  {
    part: /\b(silencer|muffler|tail ?pipe)s?\b/i,
    host: [/\b(pipe|exhaust)s?\b/i, /\bframe\b/i],
    kind: 'cement',
    because: 'the silencer ends the pipe',
  },
  {
    part: /\b(exhaust|downpipe|header|pipes?)s?\b/i,
    host: [/\b(manifold|head|cylinder)s?\b/i, /\b(block|frame)\b/i],
    kind: 'cement',
    because: 'pipes begin at the head',
  },
  {
    part: /\b(spring|shock|damper|bump stop)s?\b/i,
    host: [/\b(swing arm|axle|arm)s?\b/i, /\b(frame|chassis)\b/i],
    kind: 'cement',
    because: 'springs sit between axle and frame',
  },
  {
    part: /\b(propeller|drive) shaft\b/i,
    host: [/\b(rear )?axle\b/i, /\bgearbox\b/i],
    kind: 'cement',
    because: 'the shaft runs to the axle',
  },
  {
    part: /\b(swing arm)\b/i,
    host: [/\bframe\b/i],
    kind: 'press',
    motion: 'swings',
    because: 'the arm swings in the frame',
  },
  {
    part: /\b(axle|cross-member|splice|rail|outrigger|body mount)s?\b/i,
    host: [/\b(frame|chassis|rails?)\b/i],
    kind: 'cement',
    because: 'it belongs to the frame',
  },
  {
    part: /\b(lamp rim|bezel|lamp ring)s?\b/i,
    host: [/\b(headlamp|lamp)s?\b/i, /\b(body|wing|cab)s?\b/i],
    kind: 'press',
    because: 'the rim closes the lamp',
  },
  {
    part: /\b(headlamp|tail lamp|indicator|lamp|horn|bell)s?\b/i,
    host: [/\b(wing|grille|fork|yoke|bumper)s?\b/i, /\b(body|cab|frame)\b/i],
    kind: 'cement',
    because: 'lamps are set into the body',
  },
  {
    part: /\b(bumper|over-?rider|grille|badge|spear|mascot|wiper|mirror|aerial|plate|number plate|gutter|moulding|trim)s?\b/i,
    host: [/\b(bumper)s?\b/i, /\b(body|cab)\b/i, /\b(door|frame)s?\b/i],
    kind: 'cement',
    because: 'trim goes on the finished body',
  },
  {
    part: /\b(wing|fender|valance|cowl|splash|inner arch|running board|step)s?\b/i,
    host: [/\b(body|cab)\b/i, /\b(frame|chassis)\b/i],
    kind: 'cement',
    because: 'it is part of the body',
  },
  { part: /\bstraps?\b/i, host: [/\btanks?\b/i], kind: 'cement', because: 'straps hold the tank' },
  {
    part: /\b(tank|battery box|radiator|stack|fifth wheel|mudguard|mud flap|guard)s?\b/i,
    host: [/\b(frame|chassis|rails?)\b/i, /\bbody\b/i],
    kind: 'cement',
    because: 'it hangs on the frame',
  },
  {
    part: /\b(deck|plank|post|railing|step)s?\b/i,
    host: [/\bdeck\b/i, /\b(frame|rails?)\b/i],
    kind: 'cement',
    because: 'it is built onto the deck',
  },
  {
    part: /\bblock|crankcase\b/i,
    host: [/\b(frame|chassis|cradle)\b/i],
    kind: 'sits-in',
    because: 'the engine sits in the frame',
  },
  {
    part: /\b(tub|floor)\b/i,
    host: [/\b(chassis|frame|floor pan)\b/i],
    kind: 'cement',
    because: 'the tub stands on the chassis',
  },
  {
    part: /\b(body|cab)\b/i,
    host: [/\b(chassis|frame|floor pan)\b/i],
    kind: 'cement',
    because: 'the body goes over the chassis',
  },
];

const HALVES = /,?\s*\b(left|right|upper|lower|front|rear|inner|outer)( half)?\b/i;

/** Suggests a joint for every part that has none, from the names: halves that meet in a seam, parts that go on a
 *  usual host, and otherwise the largest part of the same frame. Parts without any match are left alone. */
export function suggestJoints({ parts, joints }: Pick<Kit, 'parts' | 'joints'>): JointSuggestion[] {
  const joined = new Set(joints.flatMap(({ a, b }) => [a, b]));
  const suggestions: JointSuggestion[] = [];
  const add = (part: Part, host: Part, because: string, change: Partial<Joint>) => {
    suggestions.push({
      joint: plainJoint(`${part.id}~${host.id}`, part.id, host.id, change),
      because,
    });
    joined.add(part.id);
  };
  for (const part of parts) {
    if (joined.has(part.id)) continue;
    const twin = parts.find((other) => other.id !== part.id && areHalves(part, other));
    if (twin && !suggestions.some(({ joint }) => joint.a === twin.id && joint.b === part.id)) {
      add(part, twin, 'two halves of one thing', { seam: 'vanish' });
      continue;
    }
    const pattern = PATTERNS.find(({ part: names }) => names.test(part.name));
    const host = pattern && hostOf(part, parts, pattern.host);
    if (pattern && host) {
      const { kind, seam = 'hidden', motion = 'none', because } = pattern;
      add(part, host, because, { kind, seam, motion });
    }
  }
  return suggestions;
}

function areHalves(part: Part, other: Part): boolean {
  if (
    !/\b(half|halves)\b/i.test(`${part.name} ${other.name}`) &&
    !/\b(block|tank|crankcase|frame|pipe)\b/i.test(part.name)
  )
    return false;
  const [own, theirs] = [HALVES.exec(part.name), HALVES.exec(other.name)];
  if (!own || !theirs || own[0].toLowerCase() === theirs[0].toLowerCase()) return false;
  return part.name.replace(HALVES, '') === other.name.replace(HALVES, '');
}

function hostOf(part: Part, parts: readonly Part[], hosts: readonly RegExp[]): Part | undefined {
  for (const pattern of hosts) {
    const found = parts
      .filter(
        (other) => other.id !== part.id && pattern.test(other.name) && areaOf(other) >= 0.5 * areaOf(part),
      )
      .sort(
        (p, q) => sameFrame(q, part) - sameFrame(p, part) || areaOf(q) - areaOf(p) || (p.id < q.id ? -1 : 1),
      );
    if (found[0]) return found[0];
  }
  return undefined;
}

const sameFrame = (part: Part, other: Part) => Number(part.frame === other.frame);
