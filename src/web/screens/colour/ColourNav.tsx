import { NavLink } from 'react-router';
import type { TrayRecord } from '../../../api/index.ts';
import { useCups } from '../../data/cups.ts';

const plural = (count: number, one: string) => `${count} ${one}${count === 1 ? '' : 's'}`;

/** The two halves of the colour stage for one sub-assembly: finding the mixture, and putting it right. */
export function ColourNav({ tray }: { tray: TrayRecord }) {
  const mixed = (useCups().data ?? []).filter(({ trayId, thrown }) => trayId === tray.id && !thrown);
  const spoons = mixed.reduce((sum, { readings }) => sum + readings.filter(({ aside }) => !aside).length, 0);
  const views = [
    { path: '', name: 'Match', state: 'paints and recipes' },
    {
      path: '/cup',
      name: 'Cup and spoons',
      state:
        mixed.length === 0
          ? 'nothing mixed yet'
          : `${plural(mixed.length, 'cup')}, ${plural(spoons, 'spoon')} read`,
    },
  ];
  return (
    <nav aria-label="Colour of this sub-assembly">
      <ul className="viewnav" style={{ display: 'grid', gridTemplateColumns: '1fr 1fr' }}>
        {views.map(({ path, name, state }) => (
          <li key={name}>
            <NavLink
              to={`/build/${tray.buildId}/colour/${tray.id}${path}`}
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
