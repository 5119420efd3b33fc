import { graphlib, layout } from '@dagrejs/dagre';

/** What the map is drawn from: parts in trays, and the joints between them. */
export interface JointMapQuestion {
  trays: { key: string; name: string; partIds: string[] }[];
  joints: { id: string; a: string; b: string }[];
  /** Width of a part's tag by its id. */
  widths: Record<string, number>;
}

export interface Box {
  x: number;
  y: number;
  width: number;
  height: number;
}

export interface JointMapLayout {
  width: number;
  height: number;
  trays: Record<string, Box>;
  parts: Record<string, Box>;
}

export const TAG_HEIGHT = 26;
const GAP = 10;
const PAD = 12;
const HEAD = 26;

/** Lays out a joint map: tags flow in rows inside their tray, in the order in which joints tie them together,
 *  and trays are placed by layers so that what meets stands near. */
export function layOutJointMap({ trays, joints, widths }: JointMapQuestion): JointMapLayout {
  const home = new Map(trays.flatMap(({ key, partIds }) => partIds.map((id) => [id, key] as const)));
  const around = new Map<string, string[]>();
  for (const { a, b } of joints) {
    around.set(a, [...(around.get(a) ?? []), b]);
    around.set(b, [...(around.get(b) ?? []), a]);
  }
  const inner = new Map(
    trays.map(({ key, name, partIds }) => [key, layOutTray(name, orderByJoints(partIds, around), widths)]),
  );
  const graph = new graphlib.Graph({ multigraph: false });
  graph.setGraph({ rankdir: 'TB', nodesep: 16, ranksep: 34, marginx: 10, marginy: 10, ranker: 'tight-tree' });
  graph.setDefaultEdgeLabel(() => ({}));
  for (const [key, { width, height }] of inner) graph.setNode(key, { width, height });
  const size = (key: string) => inner.get(key)!.width * inner.get(key)!.height;
  for (const { a, b } of joints) {
    const [from, to] = [home.get(a), home.get(b)];
    if (from === undefined || to === undefined || from === to) continue;
    if (size(from) <= size(to)) graph.setEdge(from, to);
    else graph.setEdge(to, from);
  }
  layout(graph);
  const result: JointMapLayout = { width: 0, height: 0, trays: {}, parts: {} };
  for (const [key, { width, height, parts }] of inner) {
    const { x, y } = graph.node(key) as { x: number; y: number };
    const left = x - width / 2;
    const top = y - height / 2;
    result.trays[key] = { x: left, y: top, width, height };
    for (const [id, box] of parts) result.parts[id] = { ...box, x: left + box.x, y: top + box.y };
    result.width = Math.max(result.width, left + width + 10);
    result.height = Math.max(result.height, top + height + 10);
  }
  return result;
}

/** Parts in the order of a walk along their joints, so that neighbours stand side by side. */
function orderByJoints(partIds: readonly string[], around: ReadonlyMap<string, string[]>): string[] {
  const inside = new Set(partIds);
  const order: string[] = [];
  const degree = (id: string) => around.get(id)?.length ?? 0;
  for (const start of [...partIds].sort((p, q) => degree(q) - degree(p))) {
    const queue = [start];
    for (const id of queue) {
      if (!inside.delete(id)) continue;
      order.push(id);
      queue.push(...(around.get(id) ?? []).filter((other) => inside.has(other)));
    }
  }
  return order;
}

function layOutTray(name: string, partIds: readonly string[], widths: Readonly<Record<string, number>>) {
  const total = partIds.reduce((sum, id) => sum + widths[id]! + GAP, 0);
  const widest = Math.max(name.length * 8, ...partIds.map((id) => widths[id]!));
  const row = Math.max(widest, Math.sqrt(total * (TAG_HEIGHT + GAP) * 2.2));
  const parts = new Map<string, Box>();
  let x = 0;
  let y = 0;
  let right = 0;
  for (const id of partIds) {
    if (x > 0 && x + widths[id]! > row) {
      x = 0;
      y += TAG_HEIGHT + GAP;
    }
    parts.set(id, { x: PAD + x, y: HEAD + y, width: widths[id]!, height: TAG_HEIGHT });
    x += widths[id]! + GAP;
    right = Math.max(right, x - GAP);
  }
  return {
    width: Math.max(right, name.length * 7) + 2 * PAD,
    height: HEAD + y + TAG_HEIGHT + PAD,
    parts,
  };
}
