// @vitest-environment jsdom
import { MantineProvider } from '@mantine/core';
import { cleanup, render, screen } from '@testing-library/react';
import { afterEach, beforeAll, beforeEach, describe, expect, it, vi } from 'vitest';
import { matchMediaStandIn } from '../../../../tests/matchMedia.ts';
import type { BuildRecord } from '../../../api/index.ts';
import {
  EMPTY_KIT,
  liveryAreaRecord,
  newRecord,
  viewRecord,
  type Kit,
  type LiveryView,
} from '../../../core/kit/index.ts';
import { plainFinish, plainPart } from '../../../core/kit/plainKit.ts';
import { baseOf, measureViews, placeMarkings } from '../../../core/livery/index.ts';
import type { StepPlace } from '../../../core/plan/index.ts';
import { freshMarking } from './freshMarking.ts';
import StepOnLivery from './StepOnLivery.tsx';

const view = (id: string, name: string): LiveryView => ({
  ...newRecord(viewRecord),
  id,
  name,
  outline: 'M0 0H100V50H0Z',
  partId: 'A1',
});
const kit: Kit = {
  ...EMPTY_KIT,
  finishes: [plainFinish('teal', 'gloss'), plainFinish('cream', 'gloss')],
  parts: [
    plainPart('A1', {
      name: 'Body',
      zones: [{ id: 'z', finishId: 'teal', name: '', share: 1, boundary: 'masked', edgeMm: 0 }],
    }),
  ],
  views: [view('left', 'Left side'), view('roof', 'Roof')],
  liveryAreas: [
    {
      ...newRecord(liveryAreaRecord),
      id: 'flash',
      viewId: 'left',
      finishId: 'cream',
      shape: 'rectangle',
      x: 50,
      y: 25,
      width: 60,
      height: 10,
    },
  ],
  markings: [
    { ...freshMarking('number', 'left', { x: 50, y: 25 }, []), name: 'Number' },
    { ...freshMarking('badge', 'roof', { x: 20, y: 20 }, []), name: 'Badge' },
  ],
};
const known = vi.hoisted((): { kit: Kit | undefined; failure: string | null } => ({
  kit: undefined,
  failure: null,
}));
vi.mock('../../data/kit.ts', () => ({ useKit: () => ({ kit: known.kit }) }));
vi.mock('../../data/bench.ts', () => ({ useCodes: () => ({ data: [] }) }));
// Here without a worker: what the page asks of it is worked out at once.
vi.mock('../../data/useTask.ts', () => ({
  useTask: ({ question }: { question: { kit?: Kit } | undefined }) => {
    if (known.failure) return { state: { kind: 'failed', message: known.failure }, newest: undefined };
    const state = { kind: 'done' };
    if (question === undefined) return { state, newest: undefined };
    if (question.kit)
      return {
        state,
        newest: placeMarkings(question.kit).map((each) => ({ ...each, drawn: { shapes: [], tooFine: [] } })),
      };
    return { state, newest: measureViews(question as Parameters<typeof measureViews>[0]) };
  },
}));

const on = (place: Partial<StepPlace>): StepPlace => ({
  viewIds: ['left'],
  markingIds: [],
  colourId: null,
  masked: [],
  ...place,
});
const shown = (place: Partial<StepPlace>) =>
  render(
    <MantineProvider>
      <StepOnLivery build={{ id: 'coupe', scale: 24 } as BuildRecord} on={on(place)} />
    </MantineProvider>,
  ).container;

describe('the livery at a step', () => {
  beforeAll(matchMediaStandIn);
  beforeEach(() => {
    known.kit = kit;
  });
  afterEach(cleanup);

  it('shows tape over what is done and the colour on all the rest', () => {
    expect(baseOf(kit.views[0]!, kit)).toBe('teal');
    const page = shown({ colourId: 'teal', masked: ['cream'] });
    expect(screen.getByRole('img', { name: 'Where teal falls' })).toBeTruthy();
    const fills = [...page.querySelectorAll('path')].map((each) => each.getAttribute('fill') ?? '');
    expect(fills.filter((fill) => fill.startsWith('url('))).toHaveLength(1);
    expect(page.querySelector('figcaption')?.textContent).toBe('teal falls where no tape is.');
    cleanup();
    expect(shown({ colourId: 'cream' }).querySelector('figcaption')?.textContent).toBe(
      'cream falls on all of it.',
    );
  });

  it('shows what goes on where, numbered through over the views as its lines are', () => {
    const page = shown({ viewIds: ['left', 'roof'], markingIds: ['badge', 'number'] });
    const numbers = [...page.querySelectorAll('text')].map(({ textContent }) => textContent);
    expect(numbers).toEqual(['2', '1']);
    expect(screen.getByRole('img', { name: 'Roof: 1 Badge' })).toBeTruthy();
    // Something taken out since the plan was made is left out, and nothing else is renumbered.
    cleanup();
    known.kit = { ...kit, markings: kit.markings.slice(0, 1) };
    shown({ viewIds: ['left', 'roof'], markingIds: ['badge', 'number'] });
    expect(screen.getByRole('img', { name: 'Left side: 2 Number' })).toBeTruthy();
  });

  it('says why it cannot be drawn, and leaves the card as it is', () => {
    known.failure = 'The worker is away.';
    expect(shown({ colourId: 'teal' }).textContent).toContain('cannot be drawn: The worker is away.');
    known.failure = null;
  });

  it('shows nothing where its views are gone', () => {
    expect(shown({ viewIds: ['gone'], colourId: 'teal' }).querySelector('svg')).toBeNull();
  });
});
