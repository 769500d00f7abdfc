interface SchoolProps<T extends string> {
  name: string;
  options: readonly { value: T; title: string; why: string }[];
  value: T;
  onChange: (value: T) => void;
}

/** Schools of which a shop keeps one, the argument of each beside it. */
export function School<T extends string>({ name, options, value, onChange }: SchoolProps<T>) {
  return (
    <div className={`grid gap-4 max-md:grid-cols-1 ${options.length === 3 ? "grid-cols-3" : "grid-cols-2"}`}>
      {options.map((option) => (
        <label
          key={option.value}
          className={`flex cursor-pointer gap-3 border-2 p-3 ${option.value === value ? "border-blue bg-tint" : "border-line bg-sheet"}`}
        >
          <input
            type="radio"
            name={name}
            className="mt-1 size-5"
            checked={option.value === value}
            onChange={() => onChange(option.value)}
          />
          <span>
            <span className="block text-lg font-semibold">{option.title}</span>
            {option.why}
          </span>
        </label>
      ))}
    </div>
  );
}
