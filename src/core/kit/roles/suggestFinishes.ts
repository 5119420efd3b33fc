import { areaOf, type Kit, type KitFinish, type Look, type Part } from '../kit.ts';
import { resolveVersion } from '../version.ts';
import { isSure, rolesOf, type Role } from './suggestRoles.ts';
import type { System } from './systems.ts';

/** A finish that some parts would share, before anything is divided. */
export interface FinishSuggestion {
  id: string;
  name: string;
  look: Look;
  /** A finish of the kit that it is already; null for a new one. */
  finishId: string | null;
  partIds: string[];
  because: string;
}

interface Idea {
  id: string;
  name: string;
  look: Look;
  because: string;
}

/** What parts of a system are usually painted. Ordinary practice; every name and look is there to be changed. */
const USUAL: Readonly<Record<System, Idea>> = {
  body: {
    id: 'body',
    name: 'Body colour',
    look: 'polished',
    because: 'what is seen first shares one colour',
  },
  chassis: {
    id: 'chassis',
    name: 'Chassis black',
    look: 'satin',
    because: 'frames are satin black unless the evidence says otherwise',
  },
  suspension: {
    id: 'chassis',
    name: 'Chassis black',
    look: 'satin',
    because: 'it is painted with the chassis',
  },
  engine: {
    id: 'engine',
    name: 'Engine colour',
    look: 'gloss',
    because: 'block and heads share the maker’s engine colour',
  },
  drive: {
    id: 'cast',
    name: 'Cast metal',
    look: 'metal',
    because: 'gearbox and axle cases are bare castings',
  },
  exhaust: {
    id: 'exhaust',
    name: 'Exhaust metal',
    look: 'metal',
    because: 'pipes are bare or heat-stained metal',
  },
  brakes: {
    id: 'cast',
    name: 'Cast metal',
    look: 'metal',
    because: 'drums, discs and calipers are bare castings',
  },
  wheels: { id: 'wheels', name: 'Wheel silver', look: 'metal', because: 'rims share one colour' },
  cabin: {
    id: 'cabin',
    name: 'Cabin colour',
    look: 'satin',
    because: 'seats, cards and floor share the colour of the trim',
  },
  glass: { id: 'clear', name: 'Clear', look: 'clear', because: 'it stays clear' },
  lamps: { id: 'bright', name: 'Bright metal', look: 'metal', because: 'reflectors and rims are bright' },
  trim: {
    id: 'bright',
    name: 'Bright metal',
    look: 'metal',
    because: 'trim is bright unless it is in body colour',
  },
  controls: { id: 'bright', name: 'Bright metal', look: 'metal', because: 'bars and levers are bright' },
  tank: {
    id: 'tank',
    name: 'Tank colour',
    look: 'polished',
    because: 'the tank has the colour of the livery',
  },
  deck: { id: 'deck', name: 'Deck', look: 'satin', because: 'the load bed has a finish of its own' },
};
/** Of a cabin what is touched and read is dark: the second of its two colours. */
const CABIN_DARK: Idea = {
  id: 'cabin-dark',
  name: 'Cabin black',
  look: 'satin',
  because: 'wheel, pedals and panel are dark',
};
const DARK_IN_CABIN: ReadonlySet<string> = new Set([
  'dash',
  'gauge',
  'steering-wheel',
  'steering-column',
  'pedal',
  'gear-lever',
  'hand-brake',
]);

/** Below this, cm2, a tank hangs on a chassis. */
const TANK_CM2 = 4;
const TYRE: Idea = {
  id: 'tyre',
  name: 'Tyre black',
  look: 'matt',
  because: 'a plastic tyre is painted dull',
};

/** What the material says, whatever the part is. */
function byMaterial({ material, plated }: Part): Idea | undefined {
  if (plated)
    return {
      id: 'plating',
      name: 'Kit plating',
      look: 'plating',
      because: 'it is plated; keep it or strip it later',
    };
  if (material === 'clear') return USUAL.glass;
  if (material === 'vinyl' || material === 'rubber')
    return {
      id: 'rubber',
      name: 'Rubber as it is',
      look: 'bare',
      because: 'paint does not stay on soft vinyl',
    };
  if (material === 'poly')
    return { id: 'bare', name: 'Left bare', look: 'bare', because: 'no paint holds on it' };
  return undefined;
}

function ideaFor(part: Part, role: Role): Idea | undefined {
  const known = byMaterial(part);
  if (known) return known;
  if (role.system === null || !isSure(role)) return undefined;
  if (role.thing === 'tyre') return TYRE;
  if (role.system === 'cabin' && role.thing !== null && DARK_IN_CABIN.has(role.thing)) return CABIN_DARK;
  // A tank of the chassis is no tank of a livery.
  if (role.system === 'tank' && areaOf(part) < TANK_CM2) return USUAL.chassis;
  return USUAL[role.system];
}

/** The finish that most parts of each idea have already. */
function finishesInUse(kit: Kit, roles: ReadonlyMap<string, Role>): Map<string, KitFinish> {
  const counts = new Map<string, Map<string, number>>();
  for (const part of kit.parts) {
    const finishId = part.zones[0]?.finishId;
    const idea = ideaFor(part, roles.get(part.id)!);
    if (finishId === undefined || !idea) continue;
    const of = counts.get(idea.id) ?? new Map<string, number>();
    counts.set(idea.id, of.set(finishId, (of.get(finishId) ?? 0) + 1));
  }
  const finishes = new Map(kit.finishes.map((finish) => [finish.id, finish]));
  return new Map(
    [...counts].flatMap(([id, of]) => {
      const [most] = [...of].sort((p, q) => q[1] - p[1])[0]!;
      const finish = finishes.get(most);
      return finish ? [[id, finish] as const] : [];
    }),
  );
}

/** Finishes for the parts that have none, by what they are and what they are made of; parts of which nothing is known are
 *  left out. */
export function suggestFinishes(kit: Kit): { suggestions: FinishSuggestion[]; unknown: Part[] } {
  const { used } = resolveVersion(kit);
  const open = kit.parts.filter(({ id, zones }) => zones.length === 0 && used.has(id));
  const roles = new Map(rolesOf(kit).map((role) => [role.partId, role]));
  const usual = finishesInUse(kit, roles);
  const groups = new Map<string, FinishSuggestion>();
  const unknown: Part[] = [];
  for (const part of open) {
    const idea = ideaFor(part, roles.get(part.id)!);
    if (!idea) {
      unknown.push(part);
      continue;
    }
    const { id, name, look, because } = idea;
    const there =
      usual.get(id) ?? kit.finishes.find((finish) => finish.name.toLowerCase() === name.toLowerCase());
    const group = groups.get(id) ?? {
      id,
      name: there?.name ?? name,
      look: there?.look ?? look,
      finishId: there?.id ?? null,
      partIds: [],
      because,
    };
    group.partIds.push(part.id);
    groups.set(id, group);
  }
  return { suggestions: [...groups.values()], unknown };
}

/** The new finishes, and the parts with theirs, that taking some suggestions makes. `idOf` names a new finish. */
export function takeFinishes(
  kit: Pick<Kit, 'parts'>,
  taken: readonly FinishSuggestion[],
  idOf: (suggestion: FinishSuggestion) => string,
): { finishes: KitFinish[]; parts: Part[] } {
  const finishes: KitFinish[] = [];
  const finishOf = new Map<string, string>();
  for (const suggestion of taken) {
    const id = suggestion.finishId ?? idOf(suggestion);
    if (suggestion.finishId === null)
      finishes.push({ id, name: suggestion.name.trim(), look: suggestion.look, codeId: null });
    for (const partId of suggestion.partIds) finishOf.set(partId, id);
  }
  return {
    finishes,
    parts: kit.parts.flatMap((part) => {
      const finishId = finishOf.get(part.id);
      return finishId === undefined
        ? []
        : [
            {
              ...part,
              zones: [
                { id: 'zone-1', name: '', finishId, share: 1, boundary: 'moulded' as const, edgeMm: null },
              ],
            },
          ];
    }),
  };
}
