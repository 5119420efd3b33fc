import { mainFinish, partLabel, type Joint, type Kit, type KitFinish, type Part } from './kit.ts';

/** Why a joint must wait until after paint. */
export interface MustWait {
  rule: 'motion' | 'glass' | 'tyre' | 'chrome-ink';
  reason: string;
}

/** The hard reason to make a joint after paint; undefined where there is a choice. A moving part that another
 *  joint captures may go in early: it is finished first and masked while the halves around it are painted. */
export function mustWait(
  joint: Joint,
  parts: ReadonlyMap<string, Part>,
  finishes: ReadonlyMap<string, KitFinish>,
  isCaptured: boolean,
): MustWait | undefined {
  const a = parts.get(joint.a)!;
  const b = parts.get(joint.b)!;
  const [finishA, finishB] = [mainFinish(a, finishes), mainFinish(b, finishes)];
  if (joint.kind === 'glass' || a.material === 'clear' || b.material === 'clear') {
    const bothClear = a.material === 'clear' && b.material === 'clear';
    if (!bothClear)
      return { rule: 'glass', reason: 'Glass goes in after polish: compound and spray would dull it.' };
  }
  if (joint.kind === 'tyre')
    return { rule: 'tyre', reason: 'The tyre goes on when the rim has cured: vinyl marks fresh paint.' };
  const inked =
    finishA?.look === 'chrome-ink' ? finishA : finishB?.look === 'chrome-ink' ? finishB : undefined;
  if (inked && finishA?.id !== finishB?.id)
    return {
      rule: 'chrome-ink',
      reason: `${inked.name} must not be masked, handled or cleared: keep it apart until it is fitted.`,
    };
  if (joint.motion !== 'none' && !isCaptured)
    return {
      rule: 'motion',
      reason: `It ${MOTION_WORDS[joint.motion]} afterwards: paint would glue it, so both sides are painted apart.`,
    };
  return undefined;
}

const MOTION_WORDS = {
  turns: 'turns',
  swings: 'swings',
  slides: 'slides',
  'comes-off': 'comes off',
} as const;

/** "A5 Hood to A1 Body shell". */
export function jointName({ a, b }: Pick<Joint, 'a' | 'b'>, parts: ReadonlyMap<string, Part>): string {
  const name = (id: string) => {
    const part = parts.get(id);
    return part ? `${partLabel(part)} ${part.name}` : id;
  };
  return `${name(a)} to ${name(b)}`;
}

/** Pairs of joints of which the first must be made no later than the second: what a joint captures must be in
 *  place before it, and what it closes off too. Joints are indices of `joints`. */
export function precedencesOf(joints: readonly Joint[]): { first: number; then: number }[] {
  const indexOf = new Map(joints.map(({ id }, index) => [id, index]));
  const ofPart = new Map<string, number[]>();
  joints.forEach(({ a, b }, index) => {
    for (const part of [a, b]) ofPart.set(part, [...(ofPart.get(part) ?? []), index]);
  });
  const found = new Map<string, { first: number; then: number }>();
  joints.forEach((joint, then) => {
    const add = (first: number) => {
      if (first !== then) found.set(`${first} ${then}`, { first, then });
    };
    for (const id of joint.closes) {
      const first = indexOf.get(id);
      if (first !== undefined) add(first);
    }
    for (const captured of joint.captured) {
      for (const index of ofPart.get(captured) ?? []) {
        const { a, b } = joints[index]!;
        const other = a === captured ? b : a;
        if (other === joint.a || other === joint.b) add(index);
      }
    }
  });
  return [...found.values()];
}

/** Joints that wait for each other in a circle, in order; undefined where there is no circle. */
export function captureCycle(joints: readonly Joint[]): Joint[] | undefined {
  const after: number[][] = joints.map(() => []);
  for (const { first, then } of precedencesOf(joints)) after[first]!.push(then);
  const state = new Uint8Array(joints.length);
  for (let start = 0; start < joints.length; start++) {
    if (state[start] !== 0) continue;
    const path: { at: number; next: number }[] = [{ at: start, next: 0 }];
    state[start] = 1;
    while (path.length > 0) {
      const top = path.at(-1)!;
      const next = after[top.at]![top.next++];
      if (next === undefined) {
        state[top.at] = 2;
        path.pop();
      } else if (state[next] === 1) {
        return path.slice(path.findIndex(({ at }) => at === next)).map(({ at }) => joints[at]!);
      } else if (state[next] === 0) {
        state[next] = 1;
        path.push({ at: next, next: 0 });
      }
    }
  }
  return undefined;
}

/** Ids of joints that fix a part which another joint captures. */
export function capturedJoints(joints: Kit['joints']): Set<string> {
  const captured = new Set<string>();
  for (const joint of joints) {
    for (const other of joints) {
      if (other === joint) continue;
      const holds = joint.captured.find((part) => part === other.a || part === other.b);
      if (holds === undefined) continue;
      const host = other.a === holds ? other.b : other.a;
      if (host === joint.a || host === joint.b) captured.add(other.id);
    }
  }
  return captured;
}
