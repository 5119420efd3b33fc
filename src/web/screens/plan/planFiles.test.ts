import { describe, expect, it } from 'vitest';
import type { PlanOperation } from '../../../core/plan/index.ts';
import { plainOperation } from '../../../core/plan/plainPlan.ts';
import { planCalendar, planCsv } from './planFiles.ts';

const MONDAY = Date.UTC(2026, 4, 11, 17, 30) / 60000;

const step = (id: string, change: Partial<PlanOperation> = {}) =>
  plainOperation(id, {
    title: `Prime, "wet": ${id}`,
    because: 'It shows blemishes.',
    place: 'booth',
    ...change,
  });

describe('the plan as files', () => {
  const steps = [
    { operation: step('one'), start: MONDAY + 5 },
    { operation: step('two', { dry: 600 }), start: MONDAY + 40 },
  ];

  it('gives a calendar an event for the session and one for each long cure', () => {
    const text = planCalendar(
      { id: 'coupe', name: 'Coupe' },
      steps,
      [
        { start: MONDAY, end: MONDAY + 120 },
        { start: MONDAY + 1440, end: MONDAY + 1500 },
      ],
      () => 30,
    );
    expect(text.match(/BEGIN:VEVENT/g)).toHaveLength(2);
    expect(text).toContain('DTSTART:20260511T173500Z');
    expect(text).toContain('DTEND:20260511T193000Z');
    expect(text).toMatch(/SUMMARY:Coupe: 2 steps/);
    expect(text.replace(/\r\n[ \t]/g, '')).toMatch(/SUMMARY:Curing: Prime/);
    expect(text).toContain('DTSTART:20260511T183000Z');
  });

  const idsOf = (build: string, session: { start: number; end: number }) =>
    [
      ...planCalendar({ id: build, name: 'Coupe' }, steps, [session], () => 0)
        .replace(/\r\n[ \t]/g, '')
        .matchAll(/UID:(\S+)/g),
    ].map(([, uid]) => uid!);

  it('names a session the same while it runs, and otherwise for another build', () => {
    const [whole] = idsOf('coupe', { start: MONDAY, end: MONDAY + 120 });
    expect(idsOf('coupe', { start: MONDAY + 4, end: MONDAY + 120 })[0]).toBe(whole);
    expect(idsOf('truck', { start: MONDAY, end: MONDAY + 120 })[0]).not.toBe(whole);
    expect(idsOf('coupe', { start: MONDAY, end: MONDAY + 90 })[0]).not.toBe(whole);
  });

  it('quotes what a table would break on', () => {
    const csv = planCsv(
      steps.map((each) => ({ ...each, build: 'Coupe', tray: 'Body, lower', why: 'now' })),
      (minutes) => String(minutes),
    );
    const [head, first] = csv.split('\r\n');
    expect(head).toBe('start,build,sub-assembly,step,minutes,place,because,why then');
    expect(first).toContain('"Body, lower"');
    expect(first).toContain('"Prime, ""wet"": one"');
  });
});
