// @vitest-environment jsdom
import { MantineProvider } from '@mantine/core';
import { cleanup, render, screen } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { matchMediaStandIn } from '../../../../tests/matchMedia.ts';
import { EMPTY_KIT, facingRecord, newRecord, plainPart, type Kit } from '../../../core/kit/index.ts';
import type { Advice } from '../../../core/plan/index.ts';
import { useKit } from '../../data/kit.ts';
import StepFacings from './StepFacings.tsx';

vi.mock('../../data/kit.ts', () => ({ useKit: vi.fn() }));

const facing = (partId: string) => ({
  ...newRecord(facingRecord),
  id: `f-${partId}`,
  partId,
  what: `the lug of ${partId}`,
});
const ids = ['a', 'b', 'c', 'd', 'e', 'f'];
const kit: Kit = { ...EMPTY_KIT, parts: ids.map((id) => plainPart(id)), facings: ids.map(facing) };
const about = (...parts: string[]) => ({ about: { parts } }) as Advice;
const show = (...advice: Advice[]) =>
  render(
    <MantineProvider env="test">
      <StepFacings buildId="b" advice={advice} />
    </MantineProvider>,
  );

describe('which way round, on the card', () => {
  beforeEach(() => {
    matchMediaStandIn();
    vi.mocked(useKit).mockReturnValue({ kit } as ReturnType<typeof useKit>);
  });
  afterEach(cleanup);

  it('is drawn for the parts of the step, and for no others', () => {
    show(about('b'));
    expect(screen.getAllByRole('img')).toHaveLength(1);
    expect(screen.getByRole('img', { name: 'the lug of b faces the front' })).toBeTruthy();
  });

  it('is drawn for a few of many: the words tell them all', () => {
    show(...ids.map((id) => about(id)));
    expect(screen.getAllByRole('img')).toHaveLength(4);
  });

  it('waits for the kit', () => {
    vi.mocked(useKit).mockReturnValue({ kit: undefined } as ReturnType<typeof useKit>);
    expect(show(about('a')).container.querySelector('figure')).toBeNull();
  });
});
