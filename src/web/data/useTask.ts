import { wrap, type Remote } from 'comlink';
import { startTransition, useEffect, useRef, useState } from 'react';

export type TaskState<A, P = number> =
  | { kind: 'idle' }
  | { kind: 'working'; progress: P | undefined }
  | { kind: 'answered'; answer: A; seconds: number }
  | { kind: 'failed'; message: string }
  | { kind: 'cancelled' };

interface Task<W, A, P> {
  /** Stands for what is asked: another one, compared by identity, ends the work on this one; undefined or an empty
   *  text asks nothing. */
  question: unknown;
  worker: () => Worker;
  work: (remote: Remote<W>, onProgress: (progress: P) => void) => Promise<A>;
  /** How long a question must stand before work on it begins, ms. */
  settleMs?: number;
  /** Whether the worker lives on between questions, for what it remembers. */
  keeps?: boolean;
}

interface Told<A, P> {
  question: unknown;
  turn: number;
  state: TaskState<A, P>;
}

interface Thread<W> {
  worker: Worker;
  remote: Remote<W>;
  busy: boolean;
}

/** A question worked out in a worker whenever it changes. Answers and progress of an earlier question are dropped; a
 *  worker that cannot be started or breaks is a failure; leaving the screen ends it. */
export function useTask<W, A, P = number>(task: Task<W, A, P>) {
  const { settleMs = 0, keeps = false } = task;
  const question = task.question === '' ? undefined : task.question;
  const [turn, setTurn] = useState(0);
  const [told, setTold] = useState<Told<A, P>>();
  const [answered, setAnswered] = useState<A>();
  const thread = useRef<Thread<W>>(undefined);
  const stop = useRef<() => void>(() => undefined);
  const latest = useRef(task);
  useEffect(() => {
    latest.current = task;
  });

  useEffect(() => {
    if (question === undefined) return;
    let isAsked = true;
    const end = () => {
      thread.current?.worker.terminate();
      thread.current = undefined;
    };
    const tell = (state: TaskState<A, P>) => {
      if (isAsked) setTold({ question, turn, state });
    };
    const finish = (state: TaskState<A, P>) => {
      tell(state);
      isAsked = false;
      if (thread.current) thread.current.busy = false;
      if (!keeps) end();
    };
    const begin = () => {
      const { worker: make, work } = latest.current;
      if (thread.current?.busy) end();
      if (!thread.current) {
        const worker = make();
        thread.current = { worker, remote: wrap<W>(worker), busy: false };
      }
      const { worker, remote } = thread.current;
      thread.current.busy = true;
      // A script that cannot be fetched or read answers nothing.
      worker.onerror = () => {
        finish({ kind: 'failed', message: 'The part of Fanfare that works this out could not be started.' });
        end();
      };
      const began = performance.now();
      // Progress comes on a port of its own and may arrive after the answer.
      work(remote, (progress) => tell({ kind: 'working', progress })).then(
        (answer) => {
          if (!isAsked) return;
          const seconds = (performance.now() - began) / 1000;
          // What is drawn of it gives way to whatever the hands do meanwhile.
          startTransition(() => {
            setAnswered(() => answer);
            finish({ kind: 'answered', answer, seconds });
          });
        },
        (error: unknown) => finish({ kind: 'failed', message: (error as Error).message }),
      );
    };
    const timer = setTimeout(begin, settleMs);
    stop.current = () => {
      clearTimeout(timer);
      if (isAsked && thread.current?.busy) end();
      isAsked = false;
    };
    return () => stop.current();
  }, [question, turn, settleMs, keeps]);
  useEffect(
    () => () => {
      thread.current?.worker.terminate();
      thread.current = undefined;
    },
    [],
  );

  const isCurrent = told !== undefined && told.question === question && told.turn === turn;
  const state: TaskState<A, P> =
    question === undefined
      ? { kind: 'idle' }
      : isCurrent
        ? told.state
        : { kind: 'working', progress: undefined };
  return {
    state,
    /** The newest answer there is, also while another question is worked out. */
    newest: state.kind === 'answered' ? state.answer : answered,
    cancel: () => {
      stop.current();
      if (question !== undefined) setTold({ question, turn, state: { kind: 'cancelled' } });
    },
    again: () => setTurn((count) => count + 1),
  };
}
