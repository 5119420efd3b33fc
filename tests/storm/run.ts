/** npm run storm [kills] [requests]: kills, hostile requests and faults against built servers on scratch files of this
 *  machine. Ends with 1 where anything was lost, torn, unsound or answered with a fault of the server. */
import { spawnSync } from 'node:child_process';
import { faultStorm } from './faults.ts';
import { killStorm } from './kills.ts';
import { requestStorm } from './requests.ts';

const MOST = { kills: 5_000, requests: 200_000 };
const [kills = 1_000, requests = 20_000] = process.argv.slice(2).map(Number);
if (!(kills >= 0 && kills <= MOST.kills && requests >= 0 && requests <= MOST.requests)) {
  console.error(`At most ${MOST.kills} kills and ${MOST.requests} requests.`);
  process.exit(1);
}
spawnSync('npm', ['run', '-s', 'build'], { stdio: 'inherit', shell: process.platform === 'win32' });

const faults = await faultStorm();
for (const { name, failure } of faults)
  console.log(`${failure === null ? 'ok  ' : 'FAIL'} ${name}${failure === null ? '' : `: ${failure}`}`);
const failed = faults.filter(({ failure }) => failure !== null).length;
console.log(`faults: ${faults.length - failed} of ${faults.length} survived`);

const stormed = await requestStorm(requests);
const { answers, slowestMs, heldUp, largestRefusal, unsound } = stormed;
console.log(
  `requests: ${stormed.requests}; answers ${JSON.stringify(answers)}; slowest ${slowestMs.toFixed(0)} ms (${stormed.slowest}); a fetch of the bench meanwhile at most ${heldUp.toFixed(1)} times a plain one; largest refusal ${largestRefusal} characters; ${unsound.length} records unsound`,
);
for (const words of unsound.slice(0, 20)) console.log(`  ${words}`);

const killed = await killStorm(kills);
console.log(
  `kills: ${killed.kills}; ${killed.acknowledged} writes acknowledged, ${killed.lost} lost, ${killed.torn} torn, ${killed.failedStarts} failed starts`,
);
const bad =
  failed +
  (answers['5'] ?? 0) +
  (answers['0'] ?? 0) +
  unsound.length +
  killed.lost +
  killed.torn +
  killed.failedStarts;
process.exit(bad > 0 ? 1 : 0);
