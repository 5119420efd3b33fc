/** What is wrong with something that cannot be worked out. */
export const Fault = ({ name, fault, after }: { name: string; fault: string; after?: string }) => (
  <div className="panel warned" role="alert">
    <h3>{name}</h3>
    <p>{fault}</p>
    {after && <p className="soft small">{after}</p>}
  </div>
);
