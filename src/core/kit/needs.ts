import { figure } from '../figures.ts';
import { ADHESIVES, type AdhesiveId } from './adhesives.ts';
import { partLabel, type Kit, type Run, type Spare, type StockMaterial } from './kit.ts';
import { runAtScale, runName } from './runTasks.ts';
import { resolveVersion } from './version.ts';

export interface NeedsQuestion {
  kit: Kit;
  /** Paint that the stacks ask for, ml, and what is left on the shelf (null: not owned). */
  paints: readonly { id: string; name: string; needMl: number; levelMl: number | null }[];
  /** Adhesive of every joint, by joint. */
  adhesives: readonly { adhesive: AdhesiveId; joint: string }[];
  spares: readonly Spare[];
  materials: readonly StockMaterial[];
  /** Denominator of the scale, for wires and pipes. */
  scale: number;
}

/** One thing that the build will ask for. */
export interface Need {
  id: string;
  group: 'paint' | 'glue and filler' | 'parts' | 'detail';
  what: string;
  why: string;
  state: 'have' | 'short' | 'buy' | 'from spares';
  leadDays: number;
  /** What would do instead, and what that costs in looks; '' where nothing would. */
  substitute: string;
  looks: string;
}

/** Days to wait for something ordered, where the stock does not say. */
const LEAD_DAYS = { paint: 5, material: 4, part: 14 } as const;

const ADHESIVE_SUBSTITUTES: Partial<Record<AdhesiveId, { instead: AdhesiveId; looks: string }>> = {
  'cement-gel': { instead: 'cement-thin', looks: 'none, but less time to align' },
  'cement-thin': { instead: 'cement-gel', looks: 'a thicker bead to sand' },
  'ca-clear': { instead: 'pva', looks: 'none, but it holds less and takes a night' },
  'ca-thin': { instead: 'ca-gel', looks: 'a rim of glue shows beside thin metal' },
  'ca-gel': { instead: 'epoxy', looks: 'none, but an hour to hold it' },
  epoxy: { instead: 'ca-gel', looks: 'none, but it breaks under load' },
  pva: { instead: 'ca-clear', looks: 'a spill on gloss stays' },
};

/** Everything the chosen version, its stacks, joints and parts need, against what is on hand; what is missing
 *  first, longest lead first. */
export function kitNeeds({ kit, paints, adhesives, spares, materials, scale }: NeedsQuestion): Need[] {
  const { used } = resolveVersion(kit);
  const parts = kit.parts.filter(({ id }) => used.has(id));
  const needs: Need[] = [];
  const stock = new Map(materials.filter(({ have }) => have).map((material) => [material.kind, material]));
  const leadOf = (kind: string) =>
    materials.find((material) => material.kind === kind)?.leadDays ?? LEAD_DAYS.material;
  const addMaterial = (kind: string, what: string, why: string, substitute = '', looks = '') =>
    needs.push({
      id: `material:${kind}`,
      group: 'glue and filler',
      what,
      why,
      state: stock.has(kind) ? 'have' : 'buy',
      leadDays: stock.has(kind) ? 0 : leadOf(kind),
      substitute,
      looks,
    });

  for (const { id, name, needMl, levelMl } of paints) {
    const short = levelMl !== null && levelMl < needMl;
    needs.push({
      id: `paint:${id}`,
      group: 'paint',
      what: name,
      why: `${figure(needMl, 'ml')} for the stacks${levelMl === null ? '' : `, ${figure(levelMl, 'ml')} on the shelf`}`,
      state: levelMl === null ? 'buy' : short ? 'short' : 'have',
      leadDays: levelMl === null || short ? LEAD_DAYS.paint : 0,
      substitute: levelMl === null ? 'a recipe from the shelf, in the colour stage' : '',
      looks: levelMl === null ? 'the difference shown there' : '',
    });
  }

  const byAdhesive = new Map<AdhesiveId, string[]>();
  for (const { adhesive, joint } of adhesives) {
    if (adhesive !== 'none') byAdhesive.set(adhesive, [...(byAdhesive.get(adhesive) ?? []), joint]);
  }
  for (const [adhesive, joints] of byAdhesive) {
    const other = ADHESIVE_SUBSTITUTES[adhesive];
    addMaterial(
      adhesive,
      ADHESIVES[adhesive].name,
      `${joints.length} ${joints.length === 1 ? 'joint' : 'joints'}, ${joints[0]!}${joints.length > 1 ? ' among them' : ''}`,
      other && stock.has(other.instead) ? ADHESIVES[other.instead].name : '',
      other && stock.has(other.instead) ? other.looks : '',
    );
  }
  const asking = (need: Kit['parts'][number]['needs'][number]) =>
    parts.filter((part) => part.needs.includes(need));
  const list = (held: typeof parts) =>
    held
      .slice(0, 3)
      .map((part) => partLabel(part))
      .join(', ') + (held.length > 3 ? ` and ${held.length - 3} more` : '');
  const filled = parts.filter((part) => part.needs.includes('seam') || part.needs.includes('sink'));
  if (filled.length > 0)
    addMaterial(
      'filler',
      'two-part putty',
      `seams and sink marks on ${list(filled)}`,
      'cyanoacrylate as filler',
      'none, if it is sanded within the hour',
    );
  if (asking('pins').length > 0)
    addMaterial(
      'reamer',
      'reamer or drill',
      `pins out of line on ${list(asking('pins'))}`,
      'cut the pins off',
      'none',
    );
  const masked = parts.filter(({ zones }) => zones.slice(1).some(({ boundary }) => boundary === 'masked'));
  if (masked.length > 0)
    addMaterial(
      'edge-tape',
      'thin edge tape',
      `colour edges on ${list(masked)}`,
      'wide tape cut with a new blade',
      'the edge is less even',
    );

  const byWire = new Map<number, Run[]>();
  for (const run of kit.runs) {
    if (!used.has(run.fromPartId) || !used.has(run.toPartId)) continue;
    const { wireMm } = runAtScale(run, scale);
    byWire.set(wireMm, [...(byWire.get(wireMm) ?? []), run]);
  }
  for (const [wireMm, runs] of byWire) {
    const known = runs.filter(({ lengthMm }) => lengthMm !== null);
    const length = known.reduce((sum, run) => sum + run.lengthMm! * run.count, 0);
    const some = known.length < runs.length ? ', and what is not measured yet' : '';
    addMaterial(
      `wire-${wireMm}`,
      `wire or tube, ${wireMm} mm`,
      `${runs.map((run) => runName(run, kit)).join('; ')}${length > 0 ? `: ${length} mm in all${some}` : ''}`,
      'stretched sprue of that diameter',
      'it breaks where it is bent sharply',
    );
  }

  for (const part of parts.filter(({ state }) => state === 'lost')) {
    const words = part.name
      .toLowerCase()
      .split(/\W+/)
      .filter((word) => word.length > 3);
    const spare = spares.find(
      ({ name, count }) => count > 0 && words.some((word) => name.toLowerCase().includes(word)),
    );
    needs.push({
      id: `part:${part.id}`,
      group: 'parts',
      what: `${partLabel(part)} ${part.name}`,
      why: 'lost from this box',
      state: spare ? 'from spares' : 'buy',
      leadDays: spare ? 0 : LEAD_DAYS.part,
      substitute: spare ? `${spare.name} from ${spare.origin}` : 'build it from sheet and tube',
      looks: spare ? 'check size and style against the sheet' : 'as good as your patience',
    });
  }
  const picked = new Set(kit.choices.map(({ chosen }) => chosen));
  for (const choice of kit.choices) {
    const option = choice.options.find(({ id }) => id === choice.chosen);
    for (const marking of option?.markings ?? [])
      needs.push({
        id: `marking:${choice.id}:${marking}`,
        group: 'detail',
        what: marking,
        why: `${choice.name}: ${option!.name}`,
        state: kit.box.some(({ name, checked }) => checked && /decal|marking/i.test(name)) ? 'have' : 'buy',
        leadDays: 0,
        substitute: 'mask and paint it',
        looks: 'edges as sharp as the tape',
      });
  }
  for (const want of kit.wants) {
    if (want.optionId !== null && !picked.has(want.optionId)) continue;
    needs.push({
      id: `want:${want.id}`,
      group: 'detail',
      what: want.name,
      why: want.why,
      state: want.have ? 'have' : 'buy',
      leadDays: want.have ? 0 : want.leadDays,
      substitute: want.substitute,
      looks: want.looks,
    });
  }
  const rank = { buy: 0, short: 1, 'from spares': 2, have: 3 } as const;
  return needs.sort(
    (p, q) => rank[p.state] - rank[q.state] || q.leadDays - p.leadDays || (p.what < q.what ? -1 : 1),
  );
}
