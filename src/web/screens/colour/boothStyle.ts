/** Gloss units at 60 degrees that a sheen is drawn with. */
export const GLOSS = { gloss: 85, 'semi-gloss': 55, satin: 30, matt: 8, metal: 90 } as const;

/** Charts in the booth are drawn in one ink, so that no colour stands beside a swatch. */
export const INK = '#161616';
export const AXIS = { stroke: '#3a3a3a', tick: { fill: INK, fontSize: 12 } };
