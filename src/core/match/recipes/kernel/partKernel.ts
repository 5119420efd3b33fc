import { growTo, instantiate } from '../../../webAssembly.ts';
import { compiled } from './partBound.compiled.ts';

/** The functions of partBound.as.ts. */
export interface PartKernel {
  setPaints: (n: number, k: number, s: number, x: number, y: number, z: number, all: number) => void;
  setSurface: (added: number, through: number, inside: number) => void;
  setTarget: (x: number, y: number, z: number, unitL: number, unitAB: number) => void;
  setTables: (directions: number, neighbours: number, cube: number, result: number) => void;
  setRatios: (drops: number, count: number, least: number, end: number) => number;
  setLimit: (limit: number) => void;
  begin: (p0: number, p1: number, p2: number, p3: number) => void;
  explore: () => number;
  margin: (part: number, start: number) => number;
  box: (part: number) => void;
  see: (ratio: number) => void;
  seeMixture: (c0: number, c1: number, c2: number, c3: number) => void;
  widestEdge: (part: number) => number;
  halve: (part: number, edge: number) => number;
  nobody: () => number;
  ratioCount: (part: number) => number;
  ratiosOf: (part: number) => number;
  cornerOf: (part: number, at: number) => number;
}

/** What the kernel asks of its caller. */
export interface KernelCalls {
  reachOf: (direction: number) => void;
  boxMargin: () => number;
  meet: (ratio: number) => void;
}

/** A fresh kernel, which asks `calls` for what they are at the time, and its memory: `allocate` gives the address of
 *  that many bytes, a multiple of 16, until the kernel is told what is `used`; from then on it takes its own. Addresses
 *  0 and 1 stand for nowhere. */
export function partKernel(calls: KernelCalls) {
  const { exports, memory } = instantiate(compiled, {
    'partBound.as': {
      reachOf: (direction: number) => calls.reachOf(direction),
      boxMargin: () => calls.boxMargin(),
      meet: (ratio: number) => calls.meet(ratio),
    },
  });
  let used = 1024;
  let floats = new Float32Array(memory.buffer);
  return {
    kernel: exports as PartKernel,
    allocate: (bytes: number): number => {
      const at = used;
      used += 16 * Math.ceil(bytes / 16);
      growTo(memory, used);
      return at;
    },
    used: () => used,
    // The memory moves when it grows.
    floats: () => (floats.length === 0 ? (floats = new Float32Array(memory.buffer)) : floats),
    integers: () => new Int32Array(memory.buffer),
    bytes: () => new Uint8Array(memory.buffer),
  };
}
