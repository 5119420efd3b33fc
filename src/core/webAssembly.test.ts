import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { compiledKernels } from '../../scripts/kernel.ts';
import { growTo, instantiate } from './webAssembly.ts';
import { compiled } from './scheduling/kernel/squeezeMoves.compiled.ts';

describe('the compiled kernels', () => {
  it.each(compiledKernels)('are what their sources compile to ($source)', ({ file, text }) => {
    expect(readFileSync(file, 'utf8')).toBe(text());
  });

  it('are given a memory each, that grows to what is asked', () => {
    const [one, two] = [instantiate(compiled), instantiate(compiled)];
    const bytes = () => new Uint8Array(one.memory.buffer);
    const last = bytes().length - 1;
    bytes()[last] = 7;
    expect(new Uint8Array(two.memory.buffer)[last]).toBe(0);
    growTo(one.memory, 200_000);
    expect(bytes().length).toBeGreaterThanOrEqual(200_000);
    expect(bytes()[last]).toBe(7);
    const { byteLength } = one.memory.buffer;
    growTo(one.memory, 1000);
    expect(one.memory.buffer.byteLength).toBe(byteLength);
  });
});
