import { IconCheck } from '@tabler/icons-react';
import { NavLink } from 'react-router';
import { useBench } from '../data/bench.ts';
import { usePlan } from '../data/plan.tsx';
import { STAGES } from '../drawers.ts';
import { stageStates } from './stages.ts';

/** The stages of the build, hanging from a runner like parts on their frame. */
export function StageRunner({ buildId }: { buildId: string }) {
  const { data } = useBench();
  const { view } = usePlan();
  const build = data?.builds.find(({ id }) => id === buildId);
  const states = build && stageStates(build, view);
  const next = states && STAGES.find(({ path }) => !states[path].done)?.path;
  return (
    <nav className="runner" aria-label="Stages of the build">
      <ol>
        {STAGES.map(({ path, name }, index) => (
          <li key={path}>
            <NavLink
              to={`/build/${buildId}/${path}`}
              className={({ isActive }) => `tag${isActive ? ' active' : ''}${next === path ? ' next' : ''}`}
              title={`${name} (${index + 1})`}
            >
              <b>
                {name}
                {states?.[path].done && <IconCheck size={18} aria-label="settled" />}
              </b>
              <span className="state">{states?.[path].text ?? ' '}</span>
            </NavLink>
          </li>
        ))}
      </ol>
    </nav>
  );
}
