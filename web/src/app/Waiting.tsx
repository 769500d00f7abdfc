/** What stands where a page will be. */
export function Waiting() {
  return (
    <p className="p-10 text-lg text-quiet" role="status">
      One moment.
    </p>
  );
}
