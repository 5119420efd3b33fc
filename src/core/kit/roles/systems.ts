/** Where on a vehicle a part belongs, as a builder says it. */
export const SYSTEM_NAMES = {
  body: 'body',
  chassis: 'chassis',
  suspension: 'suspension',
  engine: 'engine',
  drive: 'drive',
  exhaust: 'exhaust',
  brakes: 'brakes',
  wheels: 'wheels',
  cabin: 'cabin',
  glass: 'glass',
  lamps: 'lamps',
  trim: 'trim',
  controls: 'bars and controls',
  tank: 'tank',
  deck: 'deck',
} as const;

export type System = keyof typeof SYSTEM_NAMES;
export const SYSTEMS = Object.keys(SYSTEM_NAMES) as System[];
