/** Keys, and what each does. */
export function KeyList({ keys }: { keys: readonly (readonly [string, string])[] }) {
  return (
    <dl className="grid grid-cols-[11rem_1fr] gap-x-4 gap-y-2">
      {keys.map(([key, what]) => (
        <div key={key} className="contents">
          <dt className="figure font-bold">{key}</dt>
          <dd>{what}</dd>
        </div>
      ))}
    </dl>
  );
}
