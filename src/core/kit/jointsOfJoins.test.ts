import { describe, expect, it } from 'vitest';
import { jointsOfJoins } from './jointsOfJoins.ts';
import { plainJoint } from './plainKit.ts';

describe('the joints that joins make', () => {
  const kit = {
    joints: [
      plainJoint('floor', 'shell', 'floor'),
      plainJoint('screen', 'shell', 'glass'),
      plainJoint('lamp', 'shell', 'lens'),
      plainJoint('axle', 'frame', 'wheel'),
    ],
  };
  const trays = [
    { id: 'body', partIds: ['shell', 'floor'] },
    { id: 'clear', partIds: ['glass', 'lens'] },
    { id: 'chassis', partIds: ['frame'] },
  ];
  const join = (id: string, trayIds: string[], jointIds: string[] = []) => ({ id, trayIds, jointIds });

  it('are those named, and for one typed by hand all between its sub-assemblies', () => {
    const made = jointsOfJoins(kit, {
      trays,
      joins: [join('named', ['body', 'clear'], ['screen']), join('typed', ['clear', 'body'])],
    });
    expect(Object.fromEntries(made)).toEqual({ named: ['screen'], typed: ['lamp'] });
  });

  it('are made once, by the first of two joins typed alike', () => {
    const made = jointsOfJoins(kit, {
      trays,
      joins: [join('one', ['body', 'clear']), join('two', ['body', 'clear'])],
    });
    expect(Object.fromEntries(made)).toEqual({ one: ['screen', 'lamp'], two: [] });
  });

  it('are none where a part lies in no sub-assembly, or both in one', () => {
    const made = jointsOfJoins(kit, { trays, joins: [join('alone', ['body', 'chassis'])] });
    expect(made.get('alone')).toEqual([]);
  });
});
