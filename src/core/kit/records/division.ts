import { SUBSTRATES } from '../../finish/index.ts';
import {
  amount,
  choice,
  layers,
  named,
  referenceOrNull,
  references,
  text,
  whole,
  type ValueOf,
} from './fields.ts';

/** What is written down of a build, its sub-assemblies and its joins: they are kept beside the records of the kit. */

export const buildFields = {
  name: named('the name of the build'),
  subject: text('the subject', 200),
  /** Denominator of the scale: 24 for 1:24. */
  scale: whole('the scale', 4, 100, 24),
};
export type BuildInput = ValueOf<typeof buildFields>;

export const trayFields = {
  name: named('the name of the sub-assembly'),
  areaCm2: amount('the area in cm2', 0.1, 20000),
  substrateId: choice(
    'what the sub-assembly is made of',
    SUBSTRATES.map(({ id }) => id),
  ),
  partIds: references('parts in one sub-assembly', 'part', 3000),
  layers: layers('a stack', 0),
  codeId: referenceOrNull('the factory code', 'code'),
  position: whole('the position', 0, 1000),
};
export type TrayInput = ValueOf<typeof trayFields>;

export const joinFields = {
  name: named('the name of the joint'),
  trayIds: references('sub-assemblies of a join', 'tray', 60),
  afterJoinIds: references('joins before it', 'join', 200),
  minutes: whole('minutes', 1, 600, 10),
  adhesive: named('the adhesive', 200),
  setMinutes: whole('setting minutes', 0, 20160),
};
export type JoinInput = ValueOf<typeof joinFields>;

/** A join of a division, with the joints of the kit that it makes. */
export const dividedJoinFields = {
  ...joinFields,
  jointIds: references('joints that a join makes', 'joint', 300),
};
export type DividedJoinInput = ValueOf<typeof dividedJoinFields>;
