/** Sheets and the order of colours, each beside a plain way of doing it. */
import {
  minutesOfOrder,
  packSheets,
  planColours,
  type ColourQuestion,
  type SheetQuestion,
} from '../src/core/livery/index.ts';
import { seededRandom } from '../src/core/seededRandom.ts';
import { timed } from './timed.ts';

const A4 = { width: 210, height: 297, margin: 8 };

function rectangles(seed: number, count: number): SheetQuestion {
  const random = seededRandom(seed);
  const items = Array.from({ length: count }, (_, at) => ({
    id: `item ${at + 1}`,
    width: 6 + 50 * random(),
    height: 5 + 35 * random(),
    count: 1,
    turn: random() < 0.5,
  }));
  return { sheet: A4, gap: 1, items };
}

/** Rows from the lower edge, the tallest first, nothing turned (next fit, decreasing height). */
function inRows({ sheet, gap, items }: SheetQuestion): number {
  const [wide, high] = [sheet.width - 2 * sheet.margin, sheet.height - 2 * sheet.margin];
  let sheets = 1;
  let [x, y, row] = [0, 0, 0];
  for (const { width, height } of [...items].sort((p, q) => q.height - p.height)) {
    if (x + width > wide) [x, y, row] = [0, y + row + gap, 0];
    if (y + height > high) [sheets, x, y, row] = [sheets + 1, 0, 0, 0];
    x += width + gap;
    row = Math.max(row, height);
  }
  return sheets;
}

function sheets(seed: number): void {
  for (const count of [30, 100, 300]) {
    const runs = Array.from({ length: 10 }, (_, run) => {
      const question = rectangles(100 * seed + run, count);
      return { ...timed(() => packSheets(question)), plain: inRows(question) };
    });
    const sum = (of: (run: (typeof runs)[number]) => number) => runs.reduce((all, run) => all + of(run), 0);
    console.log(
      `Sheets, ${count} rectangles: ${(sum(({ made }) => made.sheets.length) / sum(({ made }) => made.leastSheets)).toFixed(3)} times the proved least, rows take ${(sum(({ plain }) => plain) / sum(({ made }) => made.leastSheets)).toFixed(3)}; ${(sum(({ seconds }) => seconds) / runs.length).toFixed(2)} s here`,
    );
  }
}

function livery(seed: number, count: number): ColourQuestion {
  const random = seededRandom(seed);
  const ids = Array.from({ length: count }, (_, at) => `colour ${at + 1}`);
  return {
    colours: ids.map((id) => ({
      id,
      areaCm2: 1 + 100 * random(),
      tapeAfterHours: 24,
      ways: ['spray'],
      over: Object.fromEntries(
        ids.map((under) => [under, { coats: 2 + Math.floor(4 * random()), undercoat: random() < 0.2 }]),
      ),
    })),
    borders: ids.flatMap((a, at) =>
      ids.slice(at + 1).flatMap((b) =>
        random() < 0.5
          ? [
              {
                a,
                b,
                lengthMm: 300 * random(),
                leastRadiusMm: 40 * random(),
                moulded: false,
                doubleCurve: false,
              },
            ]
          : [],
      ),
    ),
  };
}

function order(seed: number): void {
  for (const count of [4, 8, 14]) {
    const runs = Array.from({ length: 10 }, (_, run) => {
      const question = livery(100 * seed + run, count);
      // The rule of thumb: the largest first.
      const largest = [...question.colours].sort((p, q) => q.areaCm2 - p.areaCm2).map(({ id }) => id);
      return { ...timed(() => planColours(question)), plain: minutesOfOrder(question, largest) };
    });
    const sum = (of: (run: (typeof runs)[number]) => number) => runs.reduce((all, run) => all + of(run), 0);
    console.log(
      `Order of ${count} colours: the largest first takes ${(sum(({ plain }) => plain) / sum(({ made }) => made.minutes)).toFixed(2)} times the least; ${(sum(({ seconds }) => seconds) / runs.length).toFixed(3)} s here`,
    );
  }
}

export function liveries(seed: number): void {
  sheets(seed);
  order(seed);
}
