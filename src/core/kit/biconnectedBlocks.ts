/** Splits the edges of a graph into biconnected blocks (Hopcroft and Tarjan 1973), iteratively.
 *  Edges join `u` and `v`, 0..vertexCount - 1, without loops; the result lists edge indices. */
export function biconnectedBlocks(
  vertexCount: number,
  edges: readonly { u: number; v: number }[],
): number[][] {
  const around: { to: number; edge: number }[][] = Array.from({ length: vertexCount }, () => []);
  edges.forEach(({ u, v }, edge) => {
    around[u]!.push({ to: v, edge });
    around[v]!.push({ to: u, edge });
  });
  const depth = new Int32Array(vertexCount).fill(-1);
  const low = new Int32Array(vertexCount);
  const blocks: number[][] = [];
  const open: number[] = [];

  for (let start = 0; start < vertexCount; start++) {
    if (depth[start]! >= 0) continue;
    depth[start] = 0;
    low[start] = 0;
    const stack = [{ vertex: start, via: -1, next: 0 }];
    while (stack.length > 0) {
      const frame = stack.at(-1)!;
      const { vertex, via } = frame;
      const step = around[vertex]![frame.next++];
      if (step) {
        if (step.edge === via) continue;
        if (depth[step.to]! < 0) {
          open.push(step.edge);
          depth[step.to] = depth[vertex]! + 1;
          low[step.to] = depth[step.to]!;
          stack.push({ vertex: step.to, via: step.edge, next: 0 });
        } else if (depth[step.to]! < depth[vertex]!) {
          open.push(step.edge);
          low[vertex] = Math.min(low[vertex]!, depth[step.to]!);
        }
        continue;
      }
      stack.pop();
      const parent = stack.at(-1)?.vertex;
      if (parent === undefined) continue;
      low[parent] = Math.min(low[parent]!, low[vertex]!);
      if (low[vertex]! >= depth[parent]!) blocks.push(open.splice(open.lastIndexOf(via)));
    }
  }
  return blocks;
}
