import { Button } from '@mantine/core';
import { useState } from 'react';
import { Link, useLocation } from 'react-router';
import { copyWarning, DEFAULT_COPIES, PATHS } from '../../api/index.ts';
import { clockText, dayText } from '../components/time.ts';
import { acceptClock, useBench } from '../data/bench.ts';
import { useSignedOut } from '../data/signedOut.ts';

/** What holds for the whole bench until it is settled: signed out, open for reading, a clock that jumped. */
export function StandingWords() {
  const { data } = useBench();
  const isSignedOut = useSignedOut();
  const { pathname } = useLocation();
  const missing =
    data?.copies && data.builds.length > 0 && pathname !== '/bench' && !data.readOnly
      ? copyWarning(data.copies, data.settings.preferences.copies ?? DEFAULT_COPIES, data.now / 60_000)
      : null;
  return (
    <>
      {isSignedOut && (
        <div role="alert" className="refusal">
          <p>
            <b>Signed out:</b> the bench asks for its passphrase. What you changed since is kept on this page
            and saved once you are in.
          </p>
          <a
            className="quiet"
            href={`${PATHS.signIn}?next=${encodeURIComponent(pathname)}`}
            target="_blank"
            rel="noreferrer"
          >
            Sign in, in a new tab
          </a>
        </div>
      )}
      {data?.readOnly && (
        <div role="alert" className="refusal">
          <p>
            <b>Open for reading:</b> {data.readOnly}
          </p>
          <a className="quiet" href={PATHS.backup} download>
            Save a backup
          </a>
        </div>
      )}
      {missing && (
        <div role="note" className="refusal">
          <p>
            <b>Backup:</b> {missing.text} {missing.remedy}
          </p>
          <Link className="quiet" to="/bench">
            To the backups
          </Link>
        </div>
      )}
      {data?.clockJump && <ClockQuestion before={data.clockJump.before} now={data.clockJump.now} />}
    </>
  );
}

/** Asks whether a clock that jumped is right. */
function ClockQuestion({ before, now }: { before: number; now: number }) {
  const [problem, setProblem] = useState<string | null>(null);
  const year = (minutes: number) => new Date(minutes * 60_000).getFullYear();
  const moment = (minutes: number) => `${dayText(minutes)} ${year(minutes)}, ${clockText(minutes)}`;
  return (
    <div role="alert" className="refusal">
      <p>
        <b>Is the clock right?</b> This bench was last at work on {moment(before)}; now the clock says{' '}
        {moment(now)}. Waits, recoat windows and the plan go by it. If it is wrong, set the clock of this
        computer: this question then goes away by itself. {problem}
      </p>
      <Button
        onClick={() => void acceptClock().catch((error: unknown) => setProblem((error as Error).message))}
      >
        The clock is right
      </Button>
    </div>
  );
}
