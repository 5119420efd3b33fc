import { describe, expect, it } from 'vitest';
import { drawerAddress } from '../components/drawers.ts';
import { DRAWERS } from '../drawers.ts';
import { drawerName, openedDrawer } from './openedDrawer.ts';

describe('drawers by their addresses', () => {
  it.each(DRAWERS.map((drawer) => [drawerName(drawer), drawer] as const))(
    '%s: leads back to itself',
    (_, drawer) => {
      const address = drawerAddress(drawer, { buildId: 'coupe', trayId: 'hood' });
      expect(openedDrawer(address)).toEqual({
        drawer,
        buildId: drawer.stage === null ? undefined : 'coupe',
      });
    },
  );

  it('have no two at one address, nor two of one name', () => {
    const all = DRAWERS.map((drawer) => drawerAddress(drawer, { buildId: 'coupe', trayId: 'hood' }));
    expect(new Set(all).size).toBe(all.length);
    expect(new Set(DRAWERS.map(drawerName)).size).toBe(DRAWERS.length);
  });

  it('leave out what is not opened yet, and refuse what cannot be without it', () => {
    const [colour, cup] = [':trayId?', ':trayId/cup'].map((path) =>
      DRAWERS.find((drawer) => drawer.path === path)!,
    );
    expect(drawerAddress(colour!, { buildId: 'coupe' })).toBe('/build/coupe/colour');
    expect(() => drawerAddress(cup!, { buildId: 'coupe' })).toThrow(/trayId/);
    expect(openedDrawer('/build/coupe/nowhere')).toBeUndefined();
  });
});
