import type { RecordDefinition, RecordOf } from './defineRecord.ts';
import { aimRecord } from './aim.ts';
import { assemblyRecord } from './assembly.ts';
import { boxRecord } from './box.ts';
import { brightworkRecord } from './brightwork.ts';
import { beltRecord } from './belt.ts';
import { carpetRecord } from './carpet.ts';
import { chainRecord } from './chain.ts';
import { choiceRecord } from './choice.ts';
import { cornerRecord } from './corner.ts';
import { dressingRecord } from './dressing.ts';
import { decalRecord } from './decal.ts';
import { engineRecord } from './engine.ts';
import { evidenceRecord } from './evidence.ts';
import { facingRecord } from './facing.ts';
import { finishRecord } from './finish.ts';
import { effectRecord } from './effect.ts';
import { fitRecord } from './fit.ts';
import { gapRecord } from './gap.ts';
import { gaugeRecord } from './gauge.ts';
import { harnessRecord } from './harness.ts';
import { holdingRecord } from './holding.ts';
import { inspectionRecord } from './inspection.ts';
import { insertionRecord } from './insertion.ts';
import { jointRecord } from './joint.ts';
import { lampRecord } from './lamp.ts';
import { logEntryRecord } from './logEntry.ts';
import { levelRecord } from './level.ts';
import { liveryAreaRecord } from './liveryArea.ts';
import { markingRecord } from './marking.ts';
import { maskingRatesRecord } from './maskingRates.ts';
import { milestoneRecord } from './milestone.ts';
import { mishapRecord } from './mishap.ts';
import { mutedAdviceRecord } from './mutedAdvice.ts';
import { pairRecord } from './pair.ts';
import { panelRecord } from './panel.ts';
import { paneRecord } from './pane.ts';
import { partRecord } from './part.ts';
import { patternRecord } from './pattern.ts';
import { photoRecord } from './photo.ts';
import { placeRecord } from './place.ts';
import { printingRecord } from './printing.ts';
import { roleRecord } from './role.ts';
import { runRecord } from './run.ts';
import { seatRecord } from './seat.ts';
import { sheetStepRecord } from './sheetStep.ts';
import { partBoxRecord, showingRecord } from './showing.ts';
import { stanceRecord } from './stance.ts';
import { cureCheckRecord, ownStepRecord, pinRecord, stepEditRecord } from './steps.ts';
import { stretchRecord } from './stretch.ts';
import { barRecord, lessonRecord, materialRecord, spareRecord, stackRecord } from './stock.ts';
import { tryoutRecord } from './tryout.ts';
import { replacementRecord } from './replacement.ts';
import { bookRecord } from './book.ts';
import { verdictRecord } from './verdict.ts';
import { viewRecord } from './view.ts';
import { wantRecord } from './want.ts';
import { weatheringRecord } from './weathering.ts';
import { wheelRecord } from './wheel.ts';
import { workRecord } from './work.ts';

/** Every kind of record of a build, and of the stock. What a kit is, what crosses the wire, what is copied, what goes
 *  with a removal, what a form takes and how samples are stored derive from these two lists. */
export const KIT_RECORDS = [
  finishRecord,
  partRecord,
  choiceRecord,
  jointRecord,
  roleRecord,
  workRecord,
  evidenceRecord,
  sheetStepRecord,
  boxRecord,
  fitRecord,
  stanceRecord,
  placeRecord,
  gapRecord,
  holdingRecord,
  pairRecord,
  panelRecord,
  carpetRecord,
  beltRecord,
  paneRecord,
  seatRecord,
  effectRecord,
  lampRecord,
  insertionRecord,
  levelRecord,
  tryoutRecord,
  runRecord,
  engineRecord,
  facingRecord,
  harnessRecord,
  wheelRecord,
  cornerRecord,
  dressingRecord,
  chainRecord,
  patternRecord,
  gaugeRecord,
  stretchRecord,
  showingRecord,
  partBoxRecord,
  wantRecord,
  decalRecord,
  viewRecord,
  liveryAreaRecord,
  markingRecord,
  maskingRatesRecord,
  printingRecord,
  brightworkRecord,
  weatheringRecord,
  mishapRecord,
  inspectionRecord,
  milestoneRecord,
  photoRecord,
  logEntryRecord,
  verdictRecord,
  bookRecord,
  replacementRecord,
  ownStepRecord,
  stepEditRecord,
  cureCheckRecord,
  pinRecord,
  mutedAdviceRecord,
  aimRecord,
  assemblyRecord,
] as const;
export const STOCK_RECORDS = [spareRecord, materialRecord, barRecord, lessonRecord, stackRecord] as const;

type Listed<All extends readonly RecordDefinition[]> = {
  -readonly [R in All[number] as R['list']]: RecordOf<R>[];
};
/** Everything about what is in the box and what becomes of it. */
export type Kit = Listed<typeof KIT_RECORDS>;
export type Stock = Listed<typeof STOCK_RECORDS>;
export type KitItemKind = (typeof KIT_RECORDS)[number]['kind'];
export type StockItemKind = (typeof STOCK_RECORDS)[number]['kind'];

export const EMPTY_KIT: Kit = Object.fromEntries(KIT_RECORDS.map(({ list }) => [list, []])) as never;

export { newRecord, type RecordDefinition, type RecordOf } from './defineRecord.ts';
export { initialOf, isRealDay, type Field, type Fields, type ValueOf } from './fields.ts';
export * from './aim.ts';
export * from './assembly.ts';
export * from './box.ts';
export * from './brightwork.ts';
export * from './belt.ts';
export * from './carpet.ts';
export * from './chain.ts';
export * from './choice.ts';
export * from './corner.ts';
export * from './dressing.ts';
export * from './decal.ts';
export * from './division.ts';
export * from './effect.ts';
export * from './engine.ts';
export * from './evidence.ts';
export * from './facing.ts';
export * from './finish.ts';
export * from './fit.ts';
export * from './gap.ts';
export * from './gauge.ts';
export * from './harness.ts';
export * from './holding.ts';
export * from './insertion.ts';
export * from './inspection.ts';
export * from './joint.ts';
export * from './lamp.ts';
export * from './level.ts';
export * from './liveryArea.ts';
export * from './logEntry.ts';
export * from './marking.ts';
export * from './milestone.ts';
export * from './mishap.ts';
export * from './mutedAdvice.ts';
export * from './pair.ts';
export * from './panel.ts';
export * from './pane.ts';
export * from './part.ts';
export * from './pattern.ts';
export * from './photo.ts';
export * from './place.ts';
export * from './maskingRates.ts';
export * from './printing.ts';
export * from './role.ts';
export * from './run.ts';
export * from './seat.ts';
export * from './sheetStep.ts';
export * from './showing.ts';
export * from './stance.ts';
export * from './steps.ts';
export * from './stock.ts';
export * from './stretch.ts';
export * from './tryout.ts';
export * from './verdict.ts';
export * from './book.ts';
export * from './replacement.ts';
export * from './view.ts';
export * from './want.ts';
export * from './weathering.ts';
export * from './wheel.ts';
export * from './work.ts';
