import type { GoneThing } from '../../../../core/record/index.ts';

/** What was used and is not to be had any more, and what stood in. */
export function GoneThings({ things }: { things: readonly GoneThing[] }) {
  if (things.length === 0) return null;
  return (
    <div className="panel">
      <h3>Not to be had, and what stood in</h3>
      <dl className="small m0">
        {things.map(({ what, instead }) => (
          <div key={what} className="mt6">
            <dt>{what}</dt>
            <dd className="soft left">{instead}</dd>
          </div>
        ))}
      </dl>
    </div>
  );
}
