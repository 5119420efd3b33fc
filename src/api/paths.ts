/** Paths of the interface between browser and server; ids are put in by `pathTo`. */
export const PATHS = {
  bench: '/api/bench',
  benchSettings: '/api/bench/settings',
  paints: '/api/paints',
  paint: '/api/paints/:id',
  shelf: '/api/shelf/:id',
  shelfMerge: '/api/shelf-merge',
  codes: '/api/codes',
  codeBatch: '/api/codes/batch',
  code: '/api/codes/:id',
  codeReadings: '/api/codes/:id/readings',
  builds: '/api/builds',
  build: '/api/builds/:id',
  trays: '/api/builds/:id/trays',
  tray: '/api/trays/:id',
  joins: '/api/builds/:id/joins',
  join: '/api/joins/:id',
  kit: '/api/builds/:id/kit',
  subassemblies: '/api/builds/:id/subassemblies',
  stock: '/api/stock',
  pictures: '/api/builds/:id/pictures',
  picture: '/api/pictures/:id',
  steps: '/api/steps',
  step: '/api/steps/:id',
  plan: '/api/plan',
  cups: '/api/cups',
  buildCups: '/api/builds/:id/cups',
  cup: '/api/cups/:id',
  cupReadings: '/api/cups/:id/readings',
  paintReadings: '/api/paints/:id/readings',
  readings: '/api/readings',
  reading: '/api/readings/:id',
  reader: '/api/reader',
  readerCalibration: '/api/reader/calibration',
  backup: '/api/backup',
} as const;

/** A path with its id filled in. */
export function pathTo(path: string, id: string): string {
  return path.replace(':id', encodeURIComponent(id));
}
