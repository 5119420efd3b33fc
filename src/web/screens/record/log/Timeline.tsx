import { Button } from '@mantine/core';
import { Fragment, memo, useState } from 'react';
import { formatMinutes } from '../../../../core/finish/index.ts';
import { counted } from '../../../../core/kit/index.ts';
import { EVENT_KINDS, type LogEvent } from '../../../../core/record/index.ts';
import { RemoveButton } from '../../../components/RemoveButton.tsx';
import { clockText, dayOf, dayText } from '../../../components/time.ts';
import { smallAddress } from '../../../data/pictures.ts';
import { useKitChange } from '../../../data/useKitChange.ts';
import './log.css';

/** Shown at first, and more at each press. */
const AT_ONCE = 60;

interface TimelineProps {
  buildId: string;
  events: readonly LogEvent[];
  trayNames: ReadonlyMap<string, string>;
  isFiltered: boolean;
}

/** What happened, newest first, day by day. */
export const Timeline = memo(function Timeline({ buildId, events, trayNames, isFiltered }: TimelineProps) {
  const { problem, change } = useKitChange(buildId);
  const [most, setMost] = useState(AT_ONCE);
  const newest = events.toReversed();
  const shown = newest.slice(0, most);
  if (shown.length === 0)
    return (
      <p className="panel soft">
        {isFiltered
          ? 'Nothing in the log is like that.'
          : 'Nothing yet. Steps that are ticked, cups, spoons, pictures and mishaps come here by themselves.'}
      </p>
    );
  return (
    <>
      {problem && <p role="alert">{problem}</p>}
      <ol className="timeline panel" aria-label="Log">
        {shown.map((event, index) => {
          const { id, at, kind, title, words, trayId, minutes, pictureId } = event;
          const isNewDay = index === 0 || dayOf(shown[index - 1]!.at) !== dayOf(at);
          const tray = trayId === null ? undefined : trayNames.get(trayId);
          return (
            <Fragment key={id}>
              {isNewDay && (
                <li className="day">
                  <h3>{dayText(at)}</h3>
                </li>
              )}
              <li className={kind === 'mishap' ? 'wrong' : ''}>
                <span className="mono soft">{clockText(at)}</span>
                <div>
                  <b>{title}</b>
                  <span className="soft small block">
                    {[EVENT_KINDS[kind], tray, words].filter(Boolean).join(' · ')}
                  </span>
                  {pictureId !== null && <img src={smallAddress(pictureId)} alt={title} height={84} />}
                </div>
                <span className="mono nowrap">{minutes === null ? '' : formatMinutes(minutes)}</span>
                {kind === 'entry' && (
                  <RemoveButton
                    name={`Take out of the log: ${title}`}
                    onRemove={() =>
                      change(
                        [{ kind: 'log-entry', id: id.slice('entry '.length), value: null }],
                        'take an entry out of the log',
                      )
                    }
                  />
                )}
              </li>
            </Fragment>
          );
        })}
      </ol>
      {newest.length > most && (
        <Button variant="default" mt={8} onClick={() => setMost(most + 4 * AT_ONCE)}>
          Show earlier ones: {counted(newest.length - most, 'more entry', 'more entries')}
        </Button>
      )}
    </>
  );
});
