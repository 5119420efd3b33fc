import type { BuildRecord } from '../../api/index.ts';
import { checkKit, soundDivision, type Kit } from '../../core/kit/index.ts';

/** A record that contradicts itself or another, and where it is opened. */
export interface RecordFault {
  text: string;
  path: string;
}

/** What is wrong with the records of a build, by the checks that refuse to store it; with files from before those
 *  checks it can be there all the same. */
export function recordFaults(build: BuildRecord, kit: Kit | undefined): RecordFault[] {
  const at = (view: string) => `/build/${build.id}/kit${view}`;
  const divided = soundDivision(build).faults.map(({ message, readAs }) => ({
    text: `${message} ${readAs}`,
    path: at('/trays'),
  }));
  const contradictions = (kit ? checkKit(kit) : []).flatMap(({ kind, message }) =>
    kind === 'impossible' ? [{ text: message, path: at('') }] : [],
  );
  return [...divided, ...contradictions];
}
