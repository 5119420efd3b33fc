// @vitest-environment jsdom
import { MantineProvider } from '@mantine/core';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, beforeAll, describe, expect, it, vi } from 'vitest';
import { matchMediaStandIn } from '../../../../tests/matchMedia.ts';
import type { ViewSource } from '../../../core/livery/index.ts';
import { Tracing } from './Tracing.tsx';

const picture = { address: 'blob:x', name: 'side', width: 500, height: 500 };
const key = (name: string, shiftKey = false) =>
  fireEvent.keyDown(screen.getByRole('group', { name: 'The picture to trace' }), { key: name, shiftKey });
/** Each step is a fifth of a fiftieth of the picture, with shift ten times as far: here 10 of its points. */
const go = (times: number, arrow: string) => {
  for (let at = 0; at < times; at++) key(arrow, true);
};
const mark = (name: string) => fireEvent.click(screen.getByRole('radio', { name }));

describe('tracing over a picture', () => {
  beforeAll(matchMediaStandIn);
  afterEach(cleanup);

  it('makes a view by keyboard alone, and takes points back', () => {
    const onDone = vi.fn<(drawn: ViewSource) => void>();
    render(
      <MantineProvider env="test">
        <Tracing picture={picture} onDone={onDone} />
      </MantineProvider>,
    );
    fireEvent.click(screen.getByRole('button', { name: 'Use the tracing' }));
    expect(screen.getByRole('alert').textContent).toBe('Mark at least three points round the outline.');
    // From the middle 10 steps to the right: 100 of the picture are 50 mm.
    key('Enter');
    go(10, 'ArrowRight');
    key('Enter');
    const long = screen.getByRole('textbox', { name: 'Between them on the model, mm' });
    fireEvent.change(long, { target: { value: '50' } });
    mark('Outline');
    key('Enter');
    go(10, 'ArrowDown');
    key('Enter');
    go(20, 'ArrowLeft');
    key('Enter');
    go(3, 'ArrowUp');
    key('Enter');
    key('Backspace');
    go(7, 'ArrowUp');
    key('Enter');
    fireEvent.click(screen.getByRole('button', { name: 'Use the tracing' }));
    const [drawn] = onDone.mock.lastCall!;
    expect(drawn).toMatchObject({
      name: 'side',
      box: { width: 100, height: 50 },
      outline: 'M100 0L100 50L0 50L0 0Z',
      openings: [],
    });
  });

  it('asks for the corners of a rectangle where the picture is taken aslant', () => {
    const onDone = vi.fn();
    render(
      <MantineProvider env="test">
        <Tracing picture={picture} onDone={onDone} />
      </MantineProvider>,
    );
    mark('four corners');
    key('Enter');
    mark('Outline');
    for (const arrow of ['ArrowRight', 'ArrowDown', 'ArrowLeft']) {
      go(2, arrow);
      key('Enter');
    }
    fireEvent.click(screen.getByRole('button', { name: 'Use the tracing' }));
    expect(screen.getByRole('alert').textContent).toMatch(/mark 3 more of the four corners/);
    expect(onDone).not.toHaveBeenCalled();
  });
});
