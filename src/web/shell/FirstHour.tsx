import { UnstyledButton } from '@mantine/core';
import { IconCircle, IconCircleCheck } from '@tabler/icons-react';
import { useState } from 'react';
import { Link, useLocation } from 'react-router';
import type { BuildRecord } from '../../api/index.ts';
import { useBench } from '../data/bench.ts';
import { usePlan } from '../data/plan.tsx';
import { firstHour } from './firstHour.ts';

const leftKey = (buildId: string) => `fanfare.firstHour.${buildId}`;

/** The way from a box to a first plan, for a build that nothing is done of yet; it can be left at any point. */
export function FirstHour({ buildId }: { buildId: string }) {
  const { data } = useBench();
  const build = data?.builds.find(({ id }) => id === buildId);
  const isBegun = data?.steps.some((step) => step.buildId === buildId) ?? true;
  return build && !isBegun ? <Guide build={build} /> : null;
}

function Guide({ build }: { build: BuildRecord }) {
  const { view } = usePlan();
  const { pathname } = useLocation();
  const [isLeft, setLeft] = useState(() => localStorage.getItem(leftKey(build.id)) !== null);
  const steps = firstHour(build, view, build.id);
  if (isLeft || steps.every(({ done }) => done)) return null;
  const next = steps.find(({ done }) => !done)!;
  return (
    <aside className="firsthour" aria-label="The first hour with this kit">
      <ol>
        {steps.map(({ id, title, page, done }) => {
          const to = `/build/${build.id}/${page}`;
          return (
            <li key={id} data-next={id === next.id || undefined}>
              {done ? <IconCircleCheck size={17} aria-label="done:" /> : <IconCircle size={17} aria-hidden />}
              <Link to={to} aria-current={pathname === to ? 'page' : undefined}>
                {title}
              </Link>
            </li>
          );
        })}
      </ol>
      <p className="small">
        <b>Next, {next.title.toLowerCase()}:</b> {next.words}.
      </p>
      <UnstyledButton
        className="why small"
        onClick={() => {
          localStorage.setItem(leftKey(build.id), 'left');
          setLeft(true);
        }}
      >
        leave this guide
      </UnstyledButton>
    </aside>
  );
}
