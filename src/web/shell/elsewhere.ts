/** The ways of the whole bench, beside those of a build. */
export const ELSEWHERE = [
  { to: '/codes', name: 'Codes' },
  { to: '/shelf', name: 'Shelf' },
  { to: '/bench', name: 'Bench' },
];
