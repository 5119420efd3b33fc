// @vitest-environment jsdom
import { MantineProvider } from '@mantine/core';
import { cleanup, fireEvent, render, screen, within } from '@testing-library/react';
import type { ReactNode } from 'react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { matchMediaStandIn } from '../../../../../tests/matchMedia.ts';
import { newRecord, verdictRecord, type Verdict } from '../../../../core/kit/index.ts';
import { ASPECTS, type Aspect, type LessonProposal } from '../../../../core/record/index.ts';
import { changeStock, useStock } from '../../../data/kit.ts';
import { EndOfIt } from './EndOfIt.tsx';
import { LessonProposals } from './LessonProposals.tsx';
import { Marks } from './Marks.tsx';

vi.mock('../../../data/kit.ts', () => ({ changeStock: vi.fn(() => Promise.resolve()), useStock: vi.fn() }));
vi.mock('../../../data/clock.ts', () => ({
  benchMinute: () => 1000,
  benchNow: () => 60_000 * 1000,
  clockKind: () => '24-hour',
  dateOrder: () => 'day-month',
}));
beforeEach(() => {
  matchMediaStandIn();
  vi.clearAllMocks();
  vi.mocked(useStock).mockReturnValue({ lessons: [] } as never);
});
afterEach(cleanup);

const verdict: Verdict = { id: 'v', ...newRecord(verdictRecord) };
const facts = Object.fromEntries(ASPECTS.map((aspect) => [aspect, [] as string[]])) as Record<
  Aspect,
  string[]
>;
const onPut = vi.fn();
const show = (node: ReactNode) => render(<MantineProvider env="test">{node}</MantineProvider>);

describe('marks', () => {
  it('stand beside what the records say, and are saved once they are typed', () => {
    show(<Marks of="kit" verdict={verdict} facts={{ ...facts, fit: ['3 of 12 tight'] }} onPut={onPut} />);
    const rows = within(screen.getByRole('table', { name: 'On the kit' })).getAllByRole('row');
    expect(rows).toHaveLength(7);
    expect(rows[1]!.textContent).toContain('3 of 12 tight');
    const input = screen.getByLabelText('Mark: Fit, of 5');
    fireEvent.change(input, { target: { value: '9' } });
    fireEvent.blur(input);
    expect(onPut).toHaveBeenCalledWith({ marks: [{ aspect: 'fit', mark: 5 }] }, 'a mark');
  });

  it('may be left open again, and what is not changed is not saved', () => {
    const marked = { ...verdict, marks: [{ aspect: 'colour' as const, mark: 3 }] };
    show(<Marks of="work" verdict={marked} facts={facts} onPut={onPut} />);
    const input = screen.getByLabelText('Mark: Colour, of 5');
    fireEvent.blur(input);
    expect(onPut).not.toHaveBeenCalled();
    fireEvent.change(input, { target: { value: '' } });
    fireEvent.blur(input);
    expect(onPut).toHaveBeenCalledWith({ marks: [] }, 'a mark');
  });
});

describe('the end of a build', () => {
  const hours = [{ key: 'a', steps: 1, took: 60, planned: 60, tookOfPlanned: 60, toCome: 30 }];
  it('is said, and taken back', () => {
    show(<EndOfIt verdict={verdict} hours={hours} steps={[]} onPut={onPut} />);
    fireEvent.click(screen.getByRole('button', { name: 'Give it up' }));
    expect(onPut).toHaveBeenLastCalledWith({ end: 'given-up', at: 1000 }, expect.any(String));
    cleanup();
    show(
      <EndOfIt verdict={{ ...verdict, end: 'given-up', at: 1000 }} hours={hours} steps={[]} onPut={onPut} />,
    );
    fireEvent.click(screen.getByRole('button', { name: 'Go on with it' }));
    expect(onPut).toHaveBeenLastCalledWith({ end: null, at: 0 }, expect.any(String));
  });

  it('keeps the place of marks when their scale becomes another', () => {
    show(
      <EndOfIt
        verdict={{ ...verdict, marks: [{ aspect: 'fit', mark: 4 }] }}
        hours={hours}
        steps={[]}
        onPut={onPut}
      />,
    );
    const input = screen.getByLabelText('Marks go from 0 to');
    fireEvent.change(input, { target: { value: '10' } });
    fireEvent.blur(input);
    expect(onPut).toHaveBeenLastCalledWith(
      { best: 10, marks: [{ aspect: 'fit', mark: 8 }] },
      expect.any(String),
    );
  });
});

describe('lessons that are proposed', () => {
  const proposal: LessonProposal = {
    id: 'lesson-mishap-m',
    lesson: {
      text: 'A run, because too wet',
      origin: 'Coupe, a mishap',
      kit: null,
      partWord: null,
      material: null,
      stepKind: 'colour',
    },
    because: 'it went wrong',
  };
  const propose = (change: Partial<Verdict> = {}) =>
    show(<LessonProposals proposals={[proposal]} verdict={{ ...verdict, ...change }} onPut={onPut} />);

  it('are kept in other words', () => {
    propose();
    expect(screen.getByText('Comes back at steps of the kind colour.')).toBeTruthy();
    fireEvent.change(screen.getByLabelText('Lesson: it went wrong'), {
      target: { value: ' thin the last coat less ' },
    });
    fireEvent.click(screen.getByRole('button', { name: 'Keep it' }));
    expect(vi.mocked(changeStock).mock.calls[0]![0]).toMatchObject([
      {
        kind: 'lesson',
        id: 'lesson-mishap-m',
        value: { text: 'thin the last coat less', stepKind: 'colour' },
      },
    ]);
  });

  it('are dropped, and proposed again', () => {
    propose();
    fireEvent.click(screen.getByRole('button', { name: 'Not wanted' }));
    expect(onPut).toHaveBeenLastCalledWith({ dropped: ['lesson-mishap-m'] }, 'drop a lesson');
    cleanup();
    propose({ dropped: ['lesson-mishap-m'] });
    expect(screen.queryByRole('button', { name: 'Keep it' })).toBeNull();
    fireEvent.click(screen.getByRole('button', { name: 'propose them again' }));
    expect(onPut).toHaveBeenLastCalledWith({ dropped: [] }, expect.any(String));
  });

  it('are not proposed once they are kept', () => {
    vi.mocked(useStock).mockReturnValue({ lessons: [{ id: proposal.id, ...proposal.lesson }] } as never);
    propose();
    expect(screen.queryByRole('button', { name: 'Keep it' })).toBeNull();
    expect(screen.getByText('A run, because too wet')).toBeTruthy();
  });
});
