import { describe, expect, it } from 'vitest';
import { titleOf } from '../refusal.ts';
import { hpgl } from '../../core/livery/cutting/hpgl.ts';
import { simulatedOutput } from './outputDevice.ts';

const SQUARE: [number, number][] = [
  [0, 0],
  [20, 0],
  [20, 20],
  [0, 20],
];
const plotOf = (squares: number) =>
  hpgl(
    Array.from({ length: squares }, (_, at) => SQUARE.map(([x, y]): [number, number] => [x + 25 * at, y])),
    100,
    { offsetMm: 0.25, overcutMm: 0.5 },
  );
function bench(id: 'cutter' | 'label-printer', seed: number) {
  let now = 0;
  const device = simulatedOutput(id, () => now, seed);
  return { device, wait: (ms: number) => void (now += ms) };
}

describe('a simulated printer', () => {
  it('prints a page after the other, stops when it is out, and goes on from the next page', () => {
    const { device, wait } = bench('label-printer', 1);
    expect(titleOf(() => device.start({ name: 'plates', files: ['a'] }))).toBe('Not connected');
    device.connect();
    device.load();
    device.start({ name: 'plates', files: ['a', 'b', 'c', 'd', 'e', 'f'] });
    wait(13_000);
    expect(device.state()).toMatchObject({ state: 'working', job: { done: 2, pieces: 6 } });
    wait(60_000);
    expect(device.state()).toMatchObject({ state: 'standing', stop: 'out', job: { done: 4 }, loaded: 0 });
    expect(titleOf(() => device.resume())).toBe('Nothing loaded');
    device.load();
    device.resume();
    wait(60_000);
    expect(device.state()).toMatchObject({
      state: 'done',
      stop: null,
      job: { done: 6, spoilt: 0 },
      loaded: 2,
    });
    expect(titleOf(() => device.pause())).toBe('Nothing to do');
    device.disconnect();
    expect(device.state().state).toBe('away');
  });

  it('stands still while it is paused or disconnected, and is busy until it has ended', () => {
    const { device, wait } = bench('label-printer', 1);
    device.connect();
    device.load();
    device.start({ name: 'plates', files: ['a', 'b', 'c'] });
    wait(7000);
    device.pause();
    wait(3_600_000);
    expect(device.state()).toMatchObject({ stop: 'paused', job: { done: 1 } });
    expect(titleOf(() => device.start({ name: 'more', files: ['a'] }))).toBe('Still at work');
    device.resume();
    wait(1000);
    device.disconnect();
    wait(3_600_000);
    device.connect();
    expect(device.state()).toMatchObject({ state: 'standing', stop: 'unplugged', job: { done: 1 } });
    device.cancel();
    expect(device.state()).toMatchObject({ state: 'ready', job: null });
  });

  it('is not sent back by a clock that is', () => {
    const { device, wait } = bench('label-printer', 1);
    device.connect();
    device.load();
    device.start({ name: 'plates', files: ['a', 'b'] });
    wait(7000);
    expect(device.state().job!.done).toBe(1);
    wait(-100_000);
    expect(device.state().job!.done).toBe(1);
    wait(7000);
    expect(device.state().state).toBe('done');
  });
});

describe('a simulated cutter', () => {
  it('cuts what it is sent at its pace, a sheet at a time', () => {
    const { device, wait } = bench('cutter', 3);
    device.connect();
    device.start({ name: 'masks', files: [plotOf(1), plotOf(1)] });
    expect(device.state()).toMatchObject({ state: 'standing', stop: 'out', job: { pieces: 2, done: 0 } });
    device.load();
    device.resume();
    // 80 mm and the overcut at 40 mm a second.
    wait(1500);
    expect(device.state().job!.done).toBe(0);
    wait(2000);
    expect(device.state()).toMatchObject({ stop: 'out', job: { done: 1 } });
  });

  it('slips now and then: that cut is made again, and in the end every one is whole', () => {
    let slipped = 0;
    for (let seed = 0; seed < 40; seed++) {
      const { device, wait } = bench('cutter', seed);
      device.connect();
      device.load();
      device.start({ name: 'masks', files: [plotOf(12)] });
      for (let tries = 0; tries < 20 && device.state().state !== 'done'; tries++) {
        wait(100_000);
        const { stop, job } = device.state();
        if (stop !== 'slipped') continue;
        slipped++;
        expect(job!.done).toBeLessThan(12);
        device.load();
        device.resume();
      }
      expect(device.state()).toMatchObject({ state: 'done', job: { done: 12, pieces: 12 } });
    }
    expect(slipped).toBeGreaterThan(4);
    expect(slipped).toBeLessThan(40);
  });

  it('refuses what is no plot, and cuts nothing of it', () => {
    const { device } = bench('cutter', 1);
    device.connect();
    for (const plot of ['IN;SP1;PU0,0;SP0;', 'IN;PD0,0,10,0;XX9;', 'PD0,zero;', 'Dear builder'])
      expect(titleOf(() => device.start({ name: 'masks', files: [plot] }))).toBe('That is no plot');
    expect(device.state()).toMatchObject({ state: 'ready', job: null });
  });
});
