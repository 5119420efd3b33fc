import { describe, expect, it } from 'vitest';
import { householdWires } from './householdWires.ts';

describe('household wires', () => {
  it('are those whose size a caliper cannot tell from what is wanted', () => {
    expect(householdWires(0.5)).toEqual(['a core of telephone cable', 'a core of network cable']);
    expect(householdWires(0.25)).toEqual([expect.stringMatching(/mains cable/)]);
    expect(householdWires(0.3)).toEqual([]);
    expect(householdWires(0.62)).toEqual(['a core of telephone cable']);
    expect(householdWires(0.63)).toEqual([]);
  });
});
