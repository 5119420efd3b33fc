import { describe, expect, it } from 'vitest';
import { layOutJointMap, TAG_HEIGHT, type Box, type JointMapQuestion } from './jointMap.ts';

const question: JointMapQuestion = {
  trays: [
    { key: 'body', name: 'Body', partIds: ['a', 'b', 'c', 'd', 'e'] },
    { key: 'chassis', name: 'Chassis with everything', partIds: ['f'] },
    { key: 'glass', name: 'Glass', partIds: ['g', 'h'] },
  ],
  joints: [
    { id: '1', a: 'a', b: 'b' },
    { id: '2', a: 'b', b: 'e' },
    { id: '3', a: 'f', b: 'a' },
    { id: '4', a: 'g', b: 'a' },
  ],
  widths: Object.fromEntries('abcdefgh'.split('').map((id, at) => [id, 60 + 15 * at])),
};
const inside = (inner: Box, outer: Box) =>
  inner.x >= outer.x &&
  inner.y >= outer.y &&
  inner.x + inner.width <= outer.x + outer.width + 0.01 &&
  inner.y + inner.height <= outer.y + outer.height + 0.01;
const apart = (p: Box, q: Box) =>
  p.x + p.width <= q.x || q.x + q.width <= p.x || p.y + p.height <= q.y || q.y + q.height <= p.y;

describe('layOutJointMap', () => {
  const map = layOutJointMap(question);

  it('keeps every tag inside its tray, as wide as its text', () => {
    for (const { key, partIds } of question.trays) {
      for (const id of partIds) {
        expect(inside(map.parts[id]!, map.trays[key]!), id).toBe(true);
        expect(map.parts[id]).toMatchObject({ width: question.widths[id]!, height: TAG_HEIGHT });
      }
    }
  });

  it('lets neither trays nor tags overlap, and stays on the sheet', () => {
    const trays = Object.values(map.trays);
    const parts = Object.values(map.parts);
    for (const boxes of [trays, parts])
      boxes.forEach((p, at) => boxes.slice(at + 1).forEach((q) => expect(apart(p, q)).toBe(true)));
    for (const tray of trays)
      expect(inside(tray, { x: 0, y: 0, width: map.width, height: map.height })).toBe(true);
  });

  it('is the same every time', () => {
    expect(layOutJointMap(question)).toEqual(map);
  });

  it('stands an empty kit', () => {
    expect(layOutJointMap({ trays: [], joints: [], widths: {} })).toEqual({
      width: 0,
      height: 0,
      trays: {},
      parts: {},
    });
  });
});
