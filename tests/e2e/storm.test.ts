import { describe, expect, it } from 'vitest';
import { faultStorm } from '../storm/faults.ts';
import { killStorm } from '../storm/kills.ts';
import { requestStorm } from '../storm/requests.ts';

describe('a short storm', () => {
  it('of kills loses and tears nothing that was acknowledged', async () => {
    const { acknowledged, ...rest } = await killStorm(12);
    expect(rest).toEqual({ kills: 12, lost: 0, torn: 0, failedStarts: 0 });
    expect(acknowledged).toBeGreaterThan(12);
  });

  it('of hostile requests meets no fault of the server, no echo, and leaves every record sound', async () => {
    const { answers, largestRefusal, unsound } = await requestStorm(1_500, 7);
    expect(unsound).toEqual([]);
    expect(answers['5'] ?? 0).toBe(0);
    expect(answers['0'] ?? 0).toBe(0);
    expect(answers['4']).toBeGreaterThan(500);
    expect(largestRefusal).toBeLessThan(200_000);
  });

  it('of faults keeps every promise about the data file', async () => {
    expect((await faultStorm()).filter(({ failure }) => failure !== null)).toEqual([]);
  });
});
