/** Paths of the interface between browser and server; ids are put in by `pathTo`. */
export const PATHS = {
  bench: '/api/bench',
  benchSettings: '/api/bench/settings',
  paints: '/api/paints',
  paintChanges: '/api/paint-changes',
  paint: '/api/paints/:id',
  shelf: '/api/shelf/:id',
  shelfMerge: '/api/shelf-merge',
  codes: '/api/codes',
  codeChanges: '/api/code-changes',
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
  typefaces: '/api/typefaces',
  typeface: '/api/typefaces/:id',
  steps: '/api/steps',
  step: '/api/steps/:id',
  plan: '/api/plan',
  planHistory: '/api/plan/history',
  pastPlan: '/api/plan/history/:id',
  cups: '/api/cups',
  buildCups: '/api/builds/:id/cups',
  cup: '/api/cups/:id',
  cupReadings: '/api/cups/:id/readings',
  paintReadings: '/api/paints/:id/readings',
  readings: '/api/readings',
  reading: '/api/readings/:id',
  reader: '/api/reader',
  readerCalibration: '/api/reader/calibration',
  thermometer: '/api/thermometer',
  airReading: '/api/thermometer/reading',
  outputDevice: '/api/devices/:id',
  outputMedia: '/api/devices/:id/media',
  outputJob: '/api/devices/:id/job',
  buildDocument: '/api/builds/:id/document',
  book: '/api/builds/:id/book',
  documentSchema: '/api/build-document/schema',
  benchDocument: '/api/bench-document',
  documentPreview: '/api/build-document/preview',
  documentTake: '/api/build-document',
  backup: '/api/backup',
  copies: '/api/copies',
  copySent: '/api/copies/sent',
  copy: '/api/copies/:id',
  copyRestore: '/api/copies/:id/restore',
  clock: '/api/clock',
  signIn: '/sign-in',
  signOut: '/api/sign-out',
} as const;

/** A path with its id filled in. */
export function pathTo(path: string, id: string): string {
  return path.replace(':id', encodeURIComponent(id));
}

/** Header with the bench's clock, milliseconds since 1970: it is right on an answer that was kept, too. */
export const CLOCK_HEADER = 'Fanfare-Clock';
/** Header of everything that changes the bench and is not JSON: no form of another site can send it. */
export const OWN_HEADER = 'Fanfare-Request';
/** Header that names a write: sent again under the same name it is not done again. */
export const WRITE_HEADER = 'Idempotency-Key';
