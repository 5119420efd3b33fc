import { NavLink } from 'react-router';
import type { BuildRecord, TrayRecord } from '../../../api/index.ts';
import { useCups } from '../../data/cups.ts';

const plural = (count: number, one: string) => `${count} ${one}${count === 1 ? '' : 's'}`;

/** The parts of the colour stage: finding a mixture and putting it right for one sub-assembly, and the palette of
 *  the whole build. */
export function ColourNav({ build, tray }: { build: Pick<BuildRecord, 'id' | 'trays'>; tray?: TrayRecord }) {
  const cups = useCups().data ?? [];
  const mixed = cups.filter(
    ({ buildId, trayId, thrown }) => (tray ? trayId === tray.id : buildId === build.id) && !thrown,
  );
  const spoons = mixed.reduce((sum, { readings }) => sum + readings.filter(({ aside }) => !aside).length, 0);
  const of = tray ?? build.trays.find(({ codeId }) => codeId !== null) ?? build.trays[0];
  const colours = new Set(build.trays.flatMap(({ codeId }) => codeId ?? [])).size;
  const views = [
    { path: of ? `/${of.id}` : '', name: 'Match', state: 'paints and recipes' },
    {
      path: of ? `/${of.id}/cup` : '',
      name: 'Cup',
      state:
        mixed.length === 0
          ? 'nothing mixed yet'
          : `${plural(mixed.length, 'cup')}, ${plural(spoons, 'spoon')} read`,
    },
    { path: '/palette', name: 'Palette', state: `${plural(colours, 'colour')} at once` },
  ];
  return (
    <nav aria-label="Views of the colour stage">
      <ul className="viewnav" style={{ display: 'grid', gridTemplateColumns: '1fr 1fr 1fr' }}>
        {views.map(({ path, name, state }) => (
          <li key={name}>
            <NavLink
              to={`/build/${build.id}/colour${path}`}
              end
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
