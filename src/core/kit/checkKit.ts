import { captureCycle, jointName } from './hardConstraints.ts';
import { jointRecord, KIT_RECORDS, partLabel, type Kit, type Part, type RecordDefinition } from './kit.ts';
import { danglingReferences } from './removal.ts';
import { resolveVersion } from './version.ts';

/** Something wrong with a kit, in a builder's words. */
export interface KitProblem {
  /** impossible: must not be stored; open: to be settled at the bench. */
  kind: 'impossible' | 'open';
  message: string;
}

/** Everything in a kit that contradicts itself. */
export function checkKit(kit: Kit): KitProblem[] {
  const byId = new Map(kit.parts.map((part) => [part.id, part]));
  const impossible = [
    ...twinNumbers(kit),
    ...unsoundJoints(kit, byId),
    ...danglingElsewhere(kit),
    ...moreThanOne(kit),
    ...loops(kit, byId),
    ...unusableIds(kit),
  ];
  return [
    ...impossible.map((message) => ({ kind: 'impossible' as const, message })),
    ...resolveVersion(kit).clashes.map(({ message }) => ({ kind: 'open' as const, message })),
    ...uncarriedFinishes(kit).map((message) => ({ kind: 'open' as const, message })),
  ];
}

type PartsById = ReadonlyMap<string, Part>;

function nameOf(id: string, byId: PartsById): string {
  const part = byId.get(id);
  return part ? `${partLabel(part)} ${part.name}` : `“${id}”`;
}

function twinNumbers({ parts }: Kit): string[] {
  const byLabel = new Map<string, Part>();
  return parts.flatMap((part) => {
    const twin = byLabel.get(partLabel(part));
    if (!twin) byLabel.set(partLabel(part), part);
    return twin
      ? [
          `${partLabel(part)} is there twice: “${twin.name}” and “${part.name}”. Give one of them another number, or raise the count.`,
        ]
      : [];
  });
}

function unsoundJoints(kit: Kit, byId: PartsById): string[] {
  const name = (id: string) => nameOf(id, byId);
  const problems: string[] = [];
  let joints = kit.joints;
  for (const joint of kit.joints) {
    const missing = [joint.a, joint.b, ...joint.captured].filter((id) => !byId.has(id));
    if (missing.length > 0) {
      problems.push(
        `A joint names ${missing.map(name).join(', ')}, which is not in the kit: ${name(joint.a)} to ${name(joint.b)}.`,
      );
      joints = joints.filter(({ id }) => id !== joint.id);
    } else if (joint.a === joint.b) problems.push(`${name(joint.a)} cannot be joined to itself.`);
    else if (joint.captured.includes(joint.a) || joint.captured.includes(joint.b))
      problems.push(`${jointName(joint, byId)} cannot capture one of its own two parts.`);
  }
  const cycle = captureCycle(joints);
  if (cycle)
    problems.push(
      `These joints wait for each other in a circle: ${cycle.map((joint) => jointName(joint, byId)).join('; ')}. Change what one of them captures or closes.`,
    );
  return problems;
}

/** References to nothing, but those of joints to parts, which have words of their own. */
function danglingElsewhere(kit: Kit): string[] {
  return danglingReferences(kit).flatMap(({ record, value, label, to, id }) => {
    if (record.kind === jointRecord.kind && to === 'part') return [];
    const { name, title } = value as { name?: string; title?: string };
    const called = name || title;
    return [
      `The ${record.noun}${called ? ` “${called}”` : ''} names “${id}” for ${label}, which is not in the kit.`,
    ];
  });
}

function moreThanOne(kit: Kit): string[] {
  return (KIT_RECORDS as readonly RecordDefinition[]).flatMap(({ single, list, noun }) => {
    const { length } = kit[list as keyof Kit];
    return single && length > 1
      ? [
          `A build has one ${noun}, and this would make ${length}: load the page anew and change the one that is there.`,
        ]
      : [];
  });
}

const loops = ({ runs }: Kit, byId: PartsById): string[] =>
  runs.flatMap(({ fromPartId, toPartId }) =>
    fromPartId === toPartId
      ? [`A wire or pipe leads from ${nameOf(fromPartId, byId)} to itself: pick another part for one end.`]
      : [],
  );

/** Ids that would be mistaken for others, or for what every object has. */
function unusableIds({ parts, choices }: Kit): string[] {
  const problems: string[] = [];
  const optionIds = new Map<string, string>();
  for (const { name: choice, options } of choices) {
    for (const { id, name: option } of options) {
      const twin = optionIds.get(id);
      if (twin !== undefined)
        problems.push(`“${choice}: ${option}” and “${twin}” have the same id: remove one and add it anew.`);
      optionIds.set(id, `${choice}: ${option}`);
    }
  }
  for (const part of parts) {
    const called = `${partLabel(part)} ${part.name}`;
    if (part.id in {}) problems.push(`${called} has an id that cannot be used: remove it and add it anew.`);
    if (new Set(part.zones.map(({ id }) => id)).size < part.zones.length)
      problems.push(`Two zones of ${called} have the same id: remove one and add it anew.`);
  }
  return problems;
}

function uncarriedFinishes({ parts, choices, finishes }: Kit): string[] {
  const carried = new Set(parts.flatMap(({ zones }) => zones.map(({ finishId }) => finishId)));
  return choices.flatMap(({ name: choice, options, chosen }) => {
    const option = options.find(({ id }) => id === chosen);
    return finishes.flatMap(({ id, name: finish }) =>
      option?.finishIds.includes(id) && !carried.has(id)
        ? [
            `“${choice}: ${option.name}” needs ${finish}, and no part carries it yet: give it to the parts that do.`,
          ]
        : [],
    );
  });
}

/** Parts that lie in more than one sub-assembly, with the names of those. */
export function partsInTwoTrays(
  trays: readonly { name: string; partIds: readonly string[] }[],
  parts: readonly Part[],
): string[] {
  const home = new Map<string, string>();
  const byId = new Map(parts.map((part) => [part.id, part]));
  return trays.flatMap(({ name, partIds }) =>
    partIds.flatMap((id) => {
      const other = home.get(id);
      home.set(id, name);
      if (other === undefined) return [];
      const part = byId.get(id);
      return [`${part ? `${partLabel(part)} ${part.name}` : id} lies in “${other}” and in “${name}”.`];
    }),
  );
}
