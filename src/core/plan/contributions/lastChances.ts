import { localDate } from '../calendar.ts';
import { operationsOf } from '../benchSteps.ts';
import { few, type Ahead } from '../contribution.ts';
import type { PlanOperation } from '../operation.ts';

/** What a join shuts in or ends the chance of, for its eve. */
interface Enclosure {
  join: PlanOperation;
  /** Still to be done before it. */
  open: string[];
  /** Pictures that nobody took yet. */
  pictures: string[];
}

const dayOf = (minute: number): string => localDate(new Date(minute * 60_000));

/** Joins to come that end the chance of something, with what is still open of it. */
function enclosures({ build, all, starts }: Ahead): Enclosure[] {
  const settled = new Set(build.milestones.map(({ operationId }) => operationId));
  const found = new Map<string, Enclosure>();
  for (const { effect, step, other } of build.kit.consequences) {
    if (effect !== 'prevents' || step.work !== 'assemble') continue;
    const join = operationsOf(build.id, step, all).find(({ id }) => starts[id] !== undefined);
    if (!join) continue;
    const enclosure = found.get(join.id) ?? { join, open: [], pictures: [] };
    for (const operation of operationsOf(build.id, other, all)) {
      if (starts[operation.id] !== undefined && !enclosure.open.includes(operation.title))
        enclosure.open.push(operation.title);
      if (
        operation.photo !== undefined &&
        !settled.has(operation.id) &&
        !enclosure.pictures.includes(operation.photo)
      )
        enclosure.pictures.push(operation.photo);
    }
    found.set(join.id, enclosure);
  }
  return [...found.values()];
}

/** On the evening before a join that shuts something in: what must be finished, cleaned of dust and photographed by then. Said at
 *  the last step of an earlier day; where the join is among the first, its own card says it. */
export function adviseOfLastChances(ahead: Ahead): void {
  const { own, startOf, advise } = ahead;
  for (const { join, open, pictures } of enclosures(ahead)) {
    const day = dayOf(startOf(join));
    const eve = own.findLast((step) => dayOf(startOf(step)) < day);
    if (!eve) continue;
    // What is done by then needs no word; what is planned for the eve itself or the day does.
    const left = open.filter((title) => {
      const last = own.findLast((step) => step.title === title);
      return last !== undefined && dayOf(startOf(last)) >= dayOf(startOf(eve));
    });
    if (left.length === 0 && pictures.length === 0) continue;
    advise([eve], {
      rule: 'last-chance',
      subject: join.id,
      severity: 'note',
      topic: 'note',
      about: { trays: [...(eve.trayId === undefined ? [] : [eve.trayId])] },
      text: `Last evening before “${join.title}”`,
      why: [
        left.length > 0 ? `Still to do before it: ${few(left).join('; ')}.` : '',
        pictures.length > 0 ? `No picture yet: ${few(pictures).join('; ')}.` : '',
      ]
        .filter((words) => words !== '')
        .join(' '),
      remedy: 'Look over what it shuts in: wires led, dust blown out, fingerprints off, pictures taken.',
      stage: 'detail',
      page: 'closing',
    });
  }
}
