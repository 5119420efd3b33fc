import { plainPart } from '../../plainKit.ts';
import type { Part } from '../../kit.ts';

/** A list of parts for tests, one to a line: number, name with its count, and after the colon the parts that it may
 *  rightly be joined to (from either side). */
export type PartList = string;

/** The parts of a list, and by part the partners that are right. */
export function readList(list: PartList): { parts: Part[]; right: Map<string, Set<string>> } {
  const right = new Map<string, Set<string>>();
  const parts = list
    .trim()
    .split('\n')
    .map((line) => {
      const [, id, name, count = '1', partners = ''] = /^(\S+) (.*?)(?: x(\d+))? :(.*)$/.exec(line)!;
      for (const partner of partners.split(' ').filter(Boolean)) {
        right.set(id!, (right.get(id!) ?? new Set()).add(partner));
        right.set(partner, (right.get(partner) ?? new Set()).add(id!));
      }
      const material = /^G/.test(id!) ? 'clear' : /^V/.test(id!) ? 'vinyl' : 'styrene';
      return plainPart(id!, { name: name!, count: Number(count), material });
    });
  return { parts, right };
}
