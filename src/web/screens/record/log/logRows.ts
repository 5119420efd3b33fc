import { formatISO } from 'date-fns';
import { EVENT_KINDS, type LogEvent } from '../../../../core/record/index.ts';

/** Events as rows of a table; times are local, with their offset. */
export const logRows = (events: readonly LogEvent[], trayNames: ReadonlyMap<string, string>) =>
  events.map(({ at, kind, title, words, trayId, minutes, operationId }) => ({
    when: formatISO(new Date(at * 60000)),
    kind: EVENT_KINDS[kind].toLowerCase(),
    what: title,
    more: words,
    'sub-assembly': (trayId !== null && trayNames.get(trayId)) || '',
    minutes: minutes ?? '',
    step: operationId ?? '',
  }));
