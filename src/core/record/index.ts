/** Record: inspections and what comes of them; the log and what follows from it. */
export {
  ASPECTS,
  BOOK_SECTIONS,
  ENTRY_KINDS,
  FAULTS,
  VERDICT_ENDS,
  type Aspect,
  type BookSection,
  type EntryKind,
  type FaultId,
} from './choices.ts';
export { FAULT_FACTS, foundWords, mendOf, type FaultFacts } from './inspections/faults.ts';
export {
  inspectionPoints,
  POINTS,
  type InspectionPoint,
  type LookedStep,
  type PointKind,
} from './inspections/points.ts';
export { buries, firstToBury } from './inspections/tooLate.ts';
export {
  elapsedOf,
  mishapCosts,
  paintUse,
  type Elapsed,
  type MishapCost,
  type PaintUse,
} from './log/costs.ts';
export { levelNow, mlByWeight, usedSince, type LevelNow, type UseOfBuild } from './log/levels.ts';
export { ENTRIES } from './log/entries.ts';
export { hoursBy, trendsOf, type Hours, type PlannedStep, type Trend } from './log/hours.ts';
export {
  EVENT_KINDS,
  filterLog,
  logOf,
  type EventKind,
  type LogEvent,
  type LogFilter,
  type LoggedCup,
  type LogSources,
  type TickedStep,
} from './log/logOf.ts';
export { BLOCK_KINDS, type BookBlock } from './book/blocks.ts';
export { bookOf, MOST_PICTURES, SECTION_NAMES, workedLine, type BookSources } from './book/bookOf.ts';
export type { BookCode, BookCup } from './book/colourBlocks.ts';
export { CARD_MM, showCard, wrapped, type CardWords } from './book/showCard.ts';
export { picturesFor, type LookedAt } from './pictures/besides.ts';
export { ASPECT_FACTS } from './verdict/aspects.ts';
export { goneThings, type GoneThing } from './verdict/gone.ts';
export { factsOf, type VerdictSources } from './verdict/facts.ts';
export { lessonOfRegret, proposeLessons, type LessonProposal } from './verdict/proposeLessons.ts';
export { albumOf, duePictures, type AlbumPicture } from './pictures/album.ts';
export { contactSheet, MOST_ON_SHEET } from './pictures/contactSheet.ts';
export { layOver, type Similarity } from './pictures/layOver.ts';
