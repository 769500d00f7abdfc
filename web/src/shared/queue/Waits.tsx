/** Beside what was made here and has not landed yet. */
export function Waits() {
  return (
    <span className="ml-1 inline-block self-center border border-dashed border-ink px-1 text-[13px] font-normal leading-none text-quiet">
      waits
    </span>
  );
}
