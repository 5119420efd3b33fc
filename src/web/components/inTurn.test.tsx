// @vitest-environment jsdom
import { MantineProvider } from '@mantine/core';
import { act, cleanup, render, screen } from '@testing-library/react';
import { afterEach, beforeAll, describe, expect, it, vi } from 'vitest';
import { matchMediaStandIn } from '../../../tests/matchMedia.ts';
import { InTurn } from './InTurn.tsx';

describe('things that are drawn in turn', () => {
  beforeAll(matchMediaStandIn);
  afterEach(() => {
    cleanup();
    vi.restoreAllMocks();
    vi.useRealTimers();
    takes = 20;
  });
  const draws = vi.fn<(at: number) => void>();
  /** What each drawing takes, ms. */
  let takes = 20;
  const show = (count: number) => {
    vi.useFakeTimers();
    let now = 0;
    vi.spyOn(performance, 'now').mockImplementation(() => (now += takes));
    draws.mockReset();
    const each = (at: number) => () => {
      draws(at);
      return <p>thing {at}</p>;
    };
    return render(
      <MantineProvider>
        {Array.from({ length: count }, (_, at) => (
          <InTurn key={at} at={at}>
            {each(at)}
          </InTurn>
        ))}
      </MantineProvider>,
    );
  };
  const shown = () => screen.getAllByText(/^thing/).map(({ textContent }) => textContent);
  /** One frame, then as many tasks. */
  const pass = (tasks: number) => {
    act(() => void vi.advanceTimersToNextFrame());
    for (let task = 0; task < tasks; task++) act(() => void vi.advanceTimersToNextTimer());
  };

  it('draws the first with the view, and one of the others in each task, every one once', () => {
    show(5);
    expect(shown()).toEqual(['thing 0', 'thing 1']);
    pass(1);
    expect(shown()).toEqual(['thing 0', 'thing 1', 'thing 2']);
    pass(5);
    expect(shown()).toHaveLength(5);
    expect(draws.mock.calls.flat()).toEqual([0, 1, 2, 3, 4]);
  });

  it('draws several small ones in one task, for as long as a frame has room', () => {
    takes = 3;
    show(12);
    pass(1);
    expect(shown().length).toBeGreaterThan(4);
    expect(shown().length).toBeLessThan(8);
    pass(5);
    expect(shown()).toHaveLength(12);
  });

  it('draws nothing more once the view is left, and takes turns again in the next', () => {
    const { unmount } = show(6);
    unmount();
    pass(8);
    expect(draws.mock.calls.flat()).toEqual([0, 1]);
    show(3);
    pass(3);
    expect(shown()).toHaveLength(3);
  });
});
