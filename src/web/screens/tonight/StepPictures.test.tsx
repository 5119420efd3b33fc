// @vitest-environment jsdom
import { MantineProvider } from '@mantine/core';
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { matchMediaStandIn } from '../../../../tests/matchMedia.ts';
import type { Milestone } from '../../../core/kit/index.ts';
import type { Advice, PlanOperation } from '../../../core/plan/index.ts';
import { changeKit, keepPicture } from '../../data/kit.ts';
import { StepPictures } from './StepPictures.tsx';

vi.mock('../../data/kit.ts', () => ({ changeKit: vi.fn(() => Promise.resolve()), keepPicture: vi.fn() }));
const changed = vi.mocked(changeKit);
const kept = vi.mocked(keepPicture);

const step = (id: string, photo?: string) =>
  ({ id, buildId: 'b', title: id, ...(photo ? { photo } : {}) }) as PlanOperation;
const engine = step('b/engine/clear', 'Engine, finished');
const join = step('b/join/floor');
const missing = { id: `b picture-missing ${engine.id}`, rule: 'picture-missing' } as Advice;
const show = (operation: PlanOperation, advice: Advice[] = [], milestones: Milestone[] = []) =>
  render(
    <MantineProvider env="test">
      <StepPictures
        operation={operation}
        operations={[engine, join]}
        advice={advice}
        milestones={milestones}
      />
    </MantineProvider>,
  );

beforeEach(() => {
  matchMediaStandIn();
  changed.mockClear();
  kept.mockReset();
});
afterEach(cleanup);

describe('pictures at a step', () => {
  it('asks at the step that has one, and once more at the last chance, and nowhere else', () => {
    show(engine);
    expect(screen.getByText('Photograph it.')).toBeTruthy();
    cleanup();
    show(join, [missing]);
    expect(screen.getByText('Last chance for a picture.')).toBeTruthy();
    cleanup();
    expect(show(join).container.querySelector('button')).toBeNull();
  });

  it('keeps a picture with the step that it shows', async () => {
    kept.mockResolvedValue('p1');
    show(join, [missing]);
    const file = new File(['x'], 'engine.jpg', { type: 'image/jpeg' });
    fireEvent.change(screen.getByLabelText('Picture: Engine, finished'), { target: { files: [file] } });
    await waitFor(() => expect(changed).toHaveBeenCalledOnce());
    const [buildId, [change]] = changed.mock.calls[0]!;
    expect(buildId).toBe('b');
    expect(change).toMatchObject({
      kind: 'milestone',
      value: { operationId: engine.id, what: 'Engine, finished', pictureId: 'p1', note: '' },
    });
  });

  it('says what was wrong with a file, and changes nothing', async () => {
    kept.mockRejectedValue(new RangeError('“notes.txt” is no picture that this browser can read.'));
    show(engine);
    fireEvent.change(screen.getByLabelText('Picture: Engine, finished'), {
      target: { files: [new File(['x'], 'notes.txt')] },
    });
    expect((await screen.findByRole('alert')).textContent).toMatch(/no picture/);
    expect(changed).not.toHaveBeenCalled();
  });

  it('wants a reason where none is wanted', async () => {
    show(engine);
    fireEvent.click(screen.getByText('none is wanted…'));
    fireEvent.click(screen.getByText('Keep the reason'));
    expect(screen.getByRole('alert').textContent).toMatch(/Say why/);
    expect(changed).not.toHaveBeenCalled();
    fireEvent.change(screen.getByLabelText('Why there is none'), { target: { value: ' hidden for good ' } });
    fireEvent.click(screen.getByText('Keep the reason'));
    await waitFor(() => expect(changed).toHaveBeenCalledOnce());
    expect(changed.mock.calls[0]![1][0]!.value).toMatchObject({ note: 'hidden for good', pictureId: null });
  });

  it('shows what is there, and takes it away again', () => {
    const taken: Milestone = {
      id: 'm',
      operationId: engine.id,
      what: 'Engine, finished',
      pictureId: 'p1',
      note: '',
      at: 0,
    };
    show(engine, [], [taken]);
    expect(screen.getByAltText('Engine, finished').getAttribute('src')).toContain('p1');
    fireEvent.click(screen.getByText('remove'));
    expect(changed.mock.calls[0]![1]).toEqual([{ kind: 'milestone', id: 'm', value: null }]);
  });
});
