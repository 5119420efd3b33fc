import {
  daysBack,
  MAKE_MINUTES,
  partLabel,
  pieceOf,
  sparesFor,
  stepBack,
  WAY_NAMES,
  type Kit,
  type Part,
  type Replacement,
  type Spare,
} from '../../kit/index.ts';
import { trayTask, type Need, type PlanContribution, type TrayTask } from '../contribution.ts';

/** A part is back once it lies there, whatever was decided of it before. */
const BACK: readonly Part['state'][] = ['from-spares', 'scratch-built'];

/** What is decided of a part that is lost or broken; undefined for a part that is there, null where nothing is decided. */
export function comingBack(
  part: Part,
  { replacements }: Pick<Kit, 'replacements'>,
): Replacement | null | undefined {
  if (BACK.includes(part.state)) return undefined;
  const said = replacements.find(({ partId }) => partId === part.id);
  if (said && said.way !== null) return said;
  return part.state === 'lost' || said ? null : undefined;
}

const missingWords = ({ state }: Part): string =>
  state === 'lost' ? 'It is lost from this box' : 'It is to be replaced';

function makeTask(trayId: string, part: Part, said: Replacement | null): TrayTask {
  const back = said && stepBack(said);
  const task = { id: `make-${part.id}` };
  return back
    ? trayTask('make', trayId, {
        ...task,
        title: back.title,
        minutes: back.minutes,
        because: `${missingWords(part)}; decided: ${WAY_NAMES[said.way!].toLowerCase()}. What it sits on waits for it.`,
        details: [...back.lines, 'say that it lies there under Detail, Lost and made'],
      })
    : trayTask('make', trayId, {
        ...task,
        title: `Find or make ${part.name.toLowerCase()}`,
        minutes: MAKE_MINUTES,
        because: `${missingWords(part)}, and what it sits on waits for it.`,
        details: [
          'how it comes back is not decided yet: under Detail, Lost and made, the ways stand side by side',
          'measure its place, look at the sheet and the other side',
          'mark it as from spares or scratch-built once it lies there',
        ],
      });
}

/** Of a part on which nothing is decided, days until another would be there. */
const UNDECIDED_DAYS = 14;

function needOf(part: Part, said: Replacement | null, spares: readonly Spare[]): Need {
  const [best] = sparesFor(part, spares);
  const spare =
    said?.way === 'spare' ? (spares.find(({ id }) => id === said.spareId) ?? best?.spare) : best?.spare;
  const head = { id: `part:${part.id}`, group: 'parts' as const, what: `${partLabel(part)} ${part.name}` };
  const lost = part.state === 'lost' ? 'lost from this box' : 'to be replaced';
  // What it is cut from is needed by itself.
  if (said?.way === 'scratch' && pieceOf(said).answer)
    return { ...head, why: 'made from stock', state: 'have', leadDays: 0, substitute: '', looks: '' };
  const isSpare = spare !== undefined && (said === null || said.way === 'spare');
  return {
    ...head,
    why: said ? `${lost}; ${WAY_NAMES[said.way!].toLowerCase()}` : lost,
    state: isSpare ? 'from spares' : 'buy',
    leadDays: isSpare ? 0 : said && said.way !== 'spare' ? daysBack(said) : UNDECIDED_DAYS,
    substitute: isSpare ? `${spare.name} from ${spare.origin}` : 'build it from sheet and tube',
    looks: isSpare
      ? best?.spare === spare && best.why.length > 0
        ? best.why.join('; ')
        : 'check size and style against the sheet'
      : 'as good as your patience',
  };
}

/** What is lost from the box, or broken, is found or made before anything is joined to where it was. */
export const comesBack: PlanContribution = {
  id: 'comes-back',

  trayTasks: ({ kit, version, trays, partsIn }) =>
    trays.flatMap((tray) =>
      partsIn(tray).flatMap((part) => {
        if (!version.used.has(part.id)) return [];
        const said = comingBack(part, kit);
        return said === undefined ? [] : [makeTask(tray.id, part, said)];
      }),
    ),

  needs: ({ kit, parts, spares, material }) =>
    parts.flatMap((part) => {
      const said = comingBack(part, kit);
      if (said === undefined) return [];
      const blanks = said?.way === 'scratch' ? (pieceOf(said).answer?.blanks ?? []) : [];
      return [
        needOf(part, said, spares),
        // Rod and tube are in the cut list.
        ...blanks
          .filter(({ form }) => form === 'sheet')
          .map(({ mm, what }) =>
            material(`sheet-${mm}`, `plastic sheet, ${mm} mm`, `${what} of ${part.name.toLowerCase()}`, {
              substitute: 'the clear side of a package',
              looks: 'none once it is painted',
            }),
          ),
      ];
    }),

  stillOpen: ({ kit: { replacements } }) =>
    replacements.filter(({ partId, way }) => partId === null || way === null).length,
};
