import { NavLink } from 'react-router';
import type { BuildRecord } from '../../../api/index.ts';
import { resolveVersion, type Kit } from '../../../core/kit/index.ts';
import type { KitViewProps } from './kitView.ts';

const plural = (count: number, one: string, many = `${one}s`) => `${count} ${count === 1 ? one : many}`;

/** The drawers of the kit, each with its state. */
export function KitNav({
  build,
  kit,
  proposals,
}: {
  build: BuildRecord;
  kit: Kit;
  proposals: KitViewProps['proposals'];
}) {
  const pieces = kit.parts.reduce((sum, { count }) => sum + count, 0);
  const unchecked = kit.parts.filter(({ checked }) => !checked).length;
  const version = resolveVersion(kit);
  const open = kit.evidence.filter(({ verdict }) => verdict === 'open').length;
  const after = proposals.proposal?.decisions.filter(({ when }) => when === 'after').length;
  const fits = kit.fits.filter(({ feel }) => feel === 'tight' || feel === 'forced').length;
  const drawers = [
    {
      path: 'parts',
      name: 'Parts',
      state:
        kit.parts.length === 0
          ? 'nothing listed yet'
          : `${plural(pieces, 'piece')}${unchecked > 0 ? `, ${unchecked} to check` : ', all checked'}`,
    },
    {
      path: 'version',
      name: 'Version',
      state:
        kit.choices.length === 0
          ? 'one way to build it'
          : version.open.length > 0
            ? `${version.open.length} of ${plural(kit.choices.length, 'choice')} open`
            : `${plural(kit.choices.length, 'choice')} made`,
    },
    {
      path: 'evidence',
      name: 'Sheet and evidence',
      state:
        open > 0
          ? `${plural(open, 'conflict')} open`
          : kit.evidence.length > 0
            ? `${kit.evidence.length} settled`
            : 'nothing in doubt yet',
    },
    {
      path: 'joints',
      name: 'Joints',
      state:
        kit.joints.length === 0
          ? 'none yet'
          : `${plural(kit.joints.length, 'joint')}${after === undefined ? '' : `, ${after} after paint`}`,
    },
    {
      path: 'trays',
      name: 'Sub-assemblies',
      state: build.trays.length > 0 ? plural(build.trays.length, 'tray') : 'none yet',
    },
    {
      path: 'fit',
      name: 'Fit and stance',
      state:
        kit.fits.length === 0
          ? 'nothing fitted dry'
          : `${kit.fits.length} fitted${fits > 0 ? `, ${fits} tight` : ''}`,
    },
    {
      path: 'runs',
      name: 'Wires and pipes',
      state:
        kit.runs.length === 0
          ? 'none added'
          : plural(
              kit.runs.reduce((sum, { count }) => sum + count, 0),
              'run',
            ),
    },
    { path: 'needs', name: 'Needs and stock', state: 'what to buy, and when' },
    { path: 'lessons', name: 'Lessons', state: 'what earlier builds taught' },
  ];
  return (
    <nav aria-label="Drawers of the kit">
      <ul className="viewnav">
        {drawers.map(({ path, name, state }) => (
          <li key={path}>
            <NavLink
              to={`/build/${build.id}/kit${path === 'parts' ? '' : `/${path}`}`}
              end={path === 'parts'}
              className={({ isActive }) => (isActive ? 'active' : '')}
            >
              <b>{name}</b>
              <span className="soft small">{state}</span>
            </NavLink>
          </li>
        ))}
      </ul>
    </nav>
  );
}
