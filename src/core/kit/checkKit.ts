import { captureCycle, jointName } from './hardConstraints.ts';
import { partLabel, type Kit, type Part } from './kit.ts';
import { resolveVersion } from './version.ts';

/** Something wrong with a kit, in a builder's words. */
export interface KitProblem {
  /** impossible: must not be stored; open: to be settled at the bench. */
  kind: 'impossible' | 'open';
  message: string;
}

/** Everything in a kit that contradicts itself. */
export function checkKit(kit: Kit): KitProblem[] {
  const problems: KitProblem[] = [];
  const impossible = (message: string) => problems.push({ kind: 'impossible', message });
  const byLabel = new Map<string, Part>();
  for (const part of kit.parts) {
    const twin = byLabel.get(partLabel(part));
    if (twin)
      impossible(
        `${partLabel(part)} is there twice: “${twin.name}” and “${part.name}”. Give one of them another number, or raise the count.`,
      );
    else byLabel.set(partLabel(part), part);
  }
  const byId = new Map(kit.parts.map((part) => [part.id, part]));
  const name = (id: string) => {
    const part = byId.get(id);
    return part ? `${partLabel(part)} ${part.name}` : `“${id}”`;
  };
  let joints = kit.joints;
  for (const joint of kit.joints) {
    const missing = [joint.a, joint.b, ...joint.captured].filter((id) => !byId.has(id));
    if (missing.length > 0) {
      impossible(
        `A joint names ${missing.map(name).join(', ')}, which is not in the kit: ${name(joint.a)} to ${name(joint.b)}.`,
      );
      joints = joints.filter(({ id }) => id !== joint.id);
    } else if (joint.a === joint.b) impossible(`${name(joint.a)} cannot be joined to itself.`);
    else if (joint.captured.includes(joint.a) || joint.captured.includes(joint.b))
      impossible(`${jointName(joint, byId)} cannot capture one of its own two parts.`);
  }
  const cycle = captureCycle(joints);
  if (cycle)
    impossible(
      `These joints wait for each other in a circle: ${cycle.map((joint) => jointName(joint, byId)).join('; ')}. Change what one of them captures or closes.`,
    );
  for (const { fromPartId, toPartId } of kit.runs) {
    if (fromPartId === toPartId)
      impossible(`A wire or pipe leads from ${name(fromPartId)} to itself: pick another part for one end.`);
  }
  for (const part of kit.parts) {
    if (part.id in {})
      impossible(`${partLabel(part)} ${part.name} has an id that cannot be used: remove it and add it anew.`);
  }
  const optionIds = new Map<string, string>();
  for (const { name: choice, options } of kit.choices) {
    for (const { id, name: option } of options) {
      const twin = optionIds.get(id);
      if (twin !== undefined)
        impossible(`“${choice}: ${option}” and “${twin}” have the same id: remove one and add it anew.`);
      optionIds.set(id, `${choice}: ${option}`);
    }
  }
  for (const part of kit.parts) {
    if (new Set(part.zones.map(({ id }) => id)).size < part.zones.length)
      impossible(
        `Two zones of ${partLabel(part)} ${part.name} have the same id: remove one and add it anew.`,
      );
  }
  for (const { message } of resolveVersion(kit).clashes) problems.push({ kind: 'open', message });
  const carried = new Set(kit.parts.flatMap(({ zones }) => zones.map(({ finishId }) => finishId)));
  for (const { name: choice, options, chosen } of kit.choices) {
    const option = options.find(({ id }) => id === chosen);
    for (const { id, name: finish } of kit.finishes)
      if (option?.finishIds.includes(id) && !carried.has(id))
        problems.push({
          kind: 'open',
          message: `“${choice}: ${option.name}” needs ${finish}, and no part carries it yet: give it to the parts that do.`,
        });
  }
  return problems;
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
