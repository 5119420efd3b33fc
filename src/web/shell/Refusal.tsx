import { dismissRefusal, useSavedState } from '../data/saving.ts';

/** What the server would not take, whole, until the builder has read it. */
export function Refusal() {
  const state = useSavedState();
  if (state.kind !== 'refused') return null;
  return (
    <div role="alert" className="refusal">
      <p>
        <b>{state.title}:</b> {state.detail} {state.remedy}
      </p>
      <button type="button" className="quiet" onClick={dismissRefusal}>
        understood
      </button>
    </div>
  );
}
