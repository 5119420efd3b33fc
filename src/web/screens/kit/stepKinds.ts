/** Kinds of step by which conflicts and lessons are tied, as a builder says them. */
export const STEP_KINDS: Readonly<Record<string, string>> = {
  clean: 'clean-up',
  open: 'holes and cuts',
  join: 'joining before paint',
  primer: 'primer',
  undercoat: 'undercoat',
  colour: 'colour',
  metal: 'metal',
  mask: 'masking',
  decal: 'decals',
  clear: 'clear',
  flat: 'flatting',
  polish: 'polish',
  wash: 'wash',
  'pick-out': 'picking out',
  assemble: 'joining after paint',
};
