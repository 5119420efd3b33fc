import { describe, expect, it } from 'vitest';
import { cardGuard, UNSEEN_MS } from './cardGuard.ts';

const own = () => true;
const byPlan = () => false;

describe('a tap on the card', () => {
  const clock = { now: 0 };
  const started = () => {
    clock.now = 0;
    const guard = cardGuard(() => clock.now);
    guard.shows('prime', byPlan);
    return guard;
  };

  it('counts on the first card, and on one that the builder ticked or went his way to', () => {
    const guard = started();
    expect(guard.isMeant()).toBe(true);
    guard.shows('sand', own);
    expect(guard.isMeant()).toBe(true);
  });

  it('does not count right after a better plan put another card there, and counts once it can be read', () => {
    const guard = started();
    clock.now = 5000;
    guard.shows('clean', byPlan);
    clock.now += 50;
    expect(guard.isMeant()).toBe(false);
    clock.now = 5000 + UNSEEN_MS;
    expect(guard.isMeant()).toBe(true);
    // Drawn again, it is the same card.
    guard.shows('clean', byPlan);
    expect(guard.isMeant()).toBe(true);
  });
});
