// @vitest-environment jsdom
import { MantineProvider } from '@mantine/core';
import { cleanup, fireEvent, render, screen, within } from '@testing-library/react';
import { useState, type ReactNode } from 'react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { matchMediaStandIn } from '../../../../../tests/matchMedia.ts';
import { filterLog, type LogEvent, type LogFilter } from '../../../../core/record/index.ts';
import type { BuildRecord } from '../../../../api/index.ts';
import { changeKit } from '../../../data/kit.ts';
import { saveFile } from '../../../data/saveFile.ts';
import { keepPause } from '../../tonight/keepPause.ts';
import { MishapPanel, TimePanel } from './FollowsPanels.tsx';
import { HoursPanel } from './HoursPanel.tsx';
import { LogFilters } from './LogFilters.tsx';
import { Timeline } from './Timeline.tsx';
import WriteDown from './WriteDown.tsx';

vi.mock('../../../data/kit.ts', () => ({ changeKit: vi.fn(() => Promise.resolve()) }));
vi.mock('../../../data/saveFile.ts', () => ({ saveFile: vi.fn() }));
beforeEach(() => {
  matchMediaStandIn();
  vi.clearAllMocks();
});
afterEach(cleanup);

const show = (node: ReactNode) => render(<MantineProvider env="test">{node}</MantineProvider>);
const changed = () => vi.mocked(changeKit).mock.calls.at(-1)![1] as unknown[];

const DAY = 1440;
const event = (id: string, at: number, more: Partial<LogEvent> = {}): LogEvent => ({
  id,
  at,
  kind: 'step',
  title: `Title ${id}`,
  words: '',
  operationId: null,
  trayId: null,
  minutes: null,
  pictureId: null,
  ...more,
});
const names = new Map([['body', 'Body']]);

describe('the timeline', () => {
  it('stands day by day, newest first, and shows earlier ones when asked', () => {
    const events = Array.from({ length: 100 }, (_, at) => event(`e${at}`, 20_000 * DAY + at * 720));
    show(<Timeline buildId="b" events={events} trayNames={names} isFiltered={false} />);
    const titles = () => screen.getAllByText(/^Title e/).map(({ textContent }) => textContent);
    expect(titles()).toHaveLength(60);
    expect(titles()[0]).toBe('Title e99');
    expect(screen.getAllByRole('heading', { level: 3 }).length).toBeGreaterThanOrEqual(30);
    fireEvent.click(screen.getByRole('button', { name: /40 more entries/ }));
    expect(titles()).toHaveLength(100);
  });

  it('takes out what was written by hand, and nothing else', () => {
    const events = [event('step a', 1), event('entry n', 2, { kind: 'entry', title: 'a note' })];
    show(<Timeline buildId="b" events={events} trayNames={names} isFiltered={false} />);
    expect(screen.getAllByRole('button')).toHaveLength(1);
    fireEvent.click(screen.getByRole('button', { name: 'Take out of the log: a note' }));
    expect(changed()).toEqual([{ kind: 'log-entry', id: 'n', value: null }]);
  });
});

describe('what is looked for in the log', () => {
  const events = [
    event('a', 1, { trayId: 'body', words: 'wet, near', minutes: 12 }),
    event('b', 2, { kind: 'mishap', title: 'a run', words: 'too wet' }),
  ];
  function Filtered() {
    const [filter, setFilter] = useState<LogFilter>({ kinds: null, trayId: null, search: '' });
    const shown = filterLog(events, filter);
    const build = { id: 'b', trays: [{ id: 'body', name: 'Body' }] } as BuildRecord;
    return <LogFilters {...{ build, events, shown, filter }} trayNames={names} onFilter={setFilter} />;
  }

  it('is narrowed by kind and words, and saved as it is shown', () => {
    show(<Filtered />);
    expect(screen.getByText('2 entries.')).toBeTruthy();
    fireEvent.click(screen.getByLabelText('Mishaps 1'));
    expect(screen.getByText('1 of 2 entries.')).toBeTruthy();
    fireEvent.click(screen.getByLabelText('Mishaps 1'));
    fireEvent.change(screen.getByLabelText('Search'), { target: { value: 'near' } });
    fireEvent.click(screen.getByRole('button', { name: 'Save what is shown as CSV' }));
    const [name, text] = vi.mocked(saveFile).mock.calls[0]!;
    expect(name).toBe('log-b.csv');
    const [head, ...rows] = (text as string).split('\r\n');
    expect(head).toBe('when,kind,what,more,sub-assembly,minutes,step');
    expect(rows).toHaveLength(1);
    expect(rows[0]).toMatch(/^\d{4}-\d\d-\d\dT.*,steps,Title a,"wet, near",Body,12,$/);
  });
});

describe('writing into the log', () => {
  it('asks for an amount where the kind has one, and keeps none where it has not', async () => {
    show(<WriteDown buildId="b" operationId="red" />);
    expect(screen.queryByLabelText(/Amount/)).toBeNull();
    const kind = screen.getByRole('combobox', { name: 'What it is' });
    fireEvent.focus(kind);
    fireEvent.click(kind);
    fireEvent.click(screen.getByRole('option', { name: 'Pressure' }));
    fireEvent.change(screen.getByLabelText('Amount, bar'), { target: { value: '1.2' } });
    fireEvent.change(screen.getByLabelText('Words'), { target: { value: ' low and near ' } });
    fireEvent.click(screen.getByRole('button', { name: 'Write it down' }));
    await vi.waitFor(() => expect(changeKit).toHaveBeenCalledOnce());
    expect(changed()).toMatchObject([
      {
        kind: 'log-entry',
        value: { entry: 'pressure', amount: 1.2, text: 'low and near', operationId: 'red' },
      },
    ]);
  });

  it('says what is missing at its input, and keeps what was typed where it is refused', async () => {
    show(<WriteDown buildId="b" operationId={null} />);
    fireEvent.click(screen.getByRole('button', { name: 'Write it down' }));
    expect(await screen.findByText('Write what is to be kept.')).toBeTruthy();
    vi.mocked(changeKit).mockRejectedValueOnce(new Error('The disk is full.'));
    fireEvent.change(screen.getByLabelText('Words'), { target: { value: 'a note' } });
    fireEvent.click(screen.getByRole('button', { name: 'Write it down' }));
    expect(await screen.findByText('The disk is full.')).toBeTruthy();
    expect(screen.getByLabelText<HTMLInputElement>('Words').value).toBe('a note');
  });

  it('keeps a pause, but not one in which a hand was washed', () => {
    const step = { id: 'red', buildId: 'b', title: 'Red' } as never;
    keepPause(step, 100, 100.4);
    expect(changeKit).not.toHaveBeenCalled();
    keepPause(step, 100, 112.2);
    expect(changed()).toMatchObject([{ value: { entry: 'pause', amount: 12, operationId: 'red', at: 112 } }]);
  });
});

describe('what follows from the log', () => {
  const hours = { steps: 2, took: 90, planned: 60, tookOfPlanned: 90, toCome: 30 };

  it('stands as a table beside the bars; what was never planned is not known', () => {
    const onBy = vi.fn();
    show(
      <HoursPanel
        hours={[
          { key: 'Body', ...hours },
          { key: 'Gone', ...hours, planned: 0, tookOfPlanned: 0, toCome: 0 },
        ]}
        by="tray"
        onBy={onBy}
      />,
    );
    const rows = within(screen.getByRole('table', { name: 'Hours by sub-assembly' })).getAllByRole('row');
    expect(rows.map(({ textContent }) => textContent)).toEqual([
      'sub-assemblytookplannedto come',
      'Body1.5 h60 min30 min',
      'Gone1.5 hnot known',
    ]);
    fireEvent.click(screen.getByLabelText('Kind of step'));
    expect(onBy).toHaveBeenCalledWith('kind');
  });

  it('tells where the days went and what mishaps cost', () => {
    show(
      <>
        <TimePanel elapsed={{ work: 120, waiting: 3 * DAY, away: 300 }} />
        <MishapPanel
          costs={[{ mishapId: 'm', took: 45, toCome: 20, steps: 3 }]}
          mishaps={[{ id: 'm', what: 'a run' }] as never}
        />
      </>,
    );
    expect(screen.getByText(/^3\.3 days: 2 h with hands on it, 3\.0 days/)).toBeTruthy();
    expect(screen.getByText('a run').parentElement!.textContent).toBe(
      'a run: 45 min so far, 20 min to come, in 3 steps.',
    );
  });
});
