/** Says that the plan could not be worked out, and what that leaves. */
export function PlanFailure({ why, hasPlan }: { why: string; hasPlan: boolean }) {
  return (
    <div className="panel warned" role="alert">
      <h3>The plan could not be worked out</h3>
      <p>{why}</p>
      <p className="soft">
        Nothing was lost: kit, stacks and steps done are as they were.{' '}
        {hasPlan ? 'What is shown is the plan from before your last change. ' : ''}
        It is tried again with your next change and every minute; <a href="">reload the page</a> to try now.
      </p>
    </div>
  );
}
