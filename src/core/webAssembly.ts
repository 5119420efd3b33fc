/** WebAssembly modules that `npm run kernel` wrote as text, which every bundler, server and worker loads the same way. */

const PAGE = 65536;

export interface WebAssemblyMemory {
  readonly buffer: ArrayBuffer;
  grow: (pages: number) => number;
}

/** What the core uses of WebAssembly, which is part of every host but not of the language. */
declare const WebAssembly: {
  Memory: new (size: { initial: number }) => WebAssemblyMemory;
  Module: new (bytes: Uint8Array) => object;
  Instance: new (module: object, imports: Record<string, object>) => { exports: unknown };
};

const modules = new Map<string, object>();

/** A fresh instance of a module given in hexadecimal, which asks `calls` by the name of its source, and its memory. */
export function instantiate(hex: string, calls: Record<string, object> = {}) {
  let module = modules.get(hex);
  if (!module) {
    module = new WebAssembly.Module(
      Uint8Array.from({ length: hex.length / 2 }, (_, at) => parseInt(hex.slice(2 * at, 2 * at + 2), 16)),
    );
    modules.set(hex, module);
  }
  const memory = new WebAssembly.Memory({ initial: 1 });
  const { exports } = new WebAssembly.Instance(module, { env: { memory }, ...calls });
  return { exports, memory };
}

/** Makes a memory so many bytes long at least; what looked at it before looks at nothing where it grew. */
export function growTo(memory: WebAssemblyMemory, bytes: number): void {
  const missing = bytes - memory.buffer.byteLength;
  if (missing > 0) memory.grow(Math.ceil(missing / PAGE));
}
