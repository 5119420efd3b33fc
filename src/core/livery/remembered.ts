import { LRUCache } from 'lru-cache';

/** A computation that keeps its latest answers: the same question, as text, is worked out once. */
export function remembered<Q, A extends object>(
  most: number,
  keyOf: (question: Q) => string,
  work: (question: Q) => A,
): (question: Q) => A {
  const answers = new LRUCache<string, A>({ max: most });
  return (question) => {
    const key = keyOf(question);
    const answer = answers.get(key) ?? work(question);
    answers.set(key, answer);
    return answer;
  };
}
