import {
  type InputHTMLAttributes,
  type ReactNode,
  type Ref,
  type SelectHTMLAttributes,
  type TextareaHTMLAttributes,
  useId,
} from "react";

interface Frame {
  label: string;
  fault?: string | undefined;
  hint?: string;
}

const box = "min-h-11 w-full rounded-tool border-2 bg-sheet px-3 text-lg";
const edge = (fault?: string) => (fault ? "border-red" : "border-line focus:border-blue");

function Labelled({ id, label, fault, hint, children }: Frame & { id: string; children: ReactNode }) {
  return (
    <div>
      <label htmlFor={id} className="mb-1 block font-semibold">
        {label}
      </label>
      {children}
      {hint && !fault && <p className="mt-1 text-sm text-quiet">{hint}</p>}
      {fault && (
        <p id={`${id}-fault`} className="mt-1 font-semibold text-red">
          {fault}
        </p>
      )}
    </div>
  );
}

export function Field({
  label,
  fault,
  hint,
  className = "",
  ...rest
}: Frame & InputHTMLAttributes<HTMLInputElement> & { ref?: Ref<HTMLInputElement> }) {
  const id = useId();
  return (
    <Labelled id={id} label={label} fault={fault} {...(hint ? { hint } : {})}>
      <input
        id={id}
        aria-invalid={fault ? true : undefined}
        aria-describedby={fault ? `${id}-fault` : undefined}
        className={`${box} ${edge(fault)} ${className}`}
        autoComplete="off"
        {...rest}
      />
    </Labelled>
  );
}

export function TextArea({
  label,
  fault,
  hint,
  ...rest
}: Frame & TextareaHTMLAttributes<HTMLTextAreaElement> & { ref?: Ref<HTMLTextAreaElement> }) {
  const id = useId();
  return (
    <Labelled id={id} label={label} fault={fault} {...(hint ? { hint } : {})}>
      <textarea
        id={id}
        rows={2}
        aria-invalid={fault ? true : undefined}
        aria-describedby={fault ? `${id}-fault` : undefined}
        className={`${box} py-2 ${edge(fault)}`}
        {...rest}
      />
    </Labelled>
  );
}

interface ChoiceProps<T extends string> extends Frame {
  value: T;
  options: readonly { value: T; label: string }[];
  onChange: (value: T) => void;
  disabled?: boolean;
}

/** One of several. A native list: it works with gloves, keyboard and screen reader. */
export function Choice<T extends string>({
  label,
  fault,
  hint,
  value,
  options,
  onChange,
  disabled,
}: ChoiceProps<T>) {
  const id = useId();
  return (
    <Labelled id={id} label={label} fault={fault} {...(hint ? { hint } : {})}>
      <select
        id={id}
        className={`${box} ${edge(fault)}`}
        value={value}
        disabled={disabled}
        onChange={(event) => {
          const chosen = options.find((option) => option.value === event.target.value);
          if (chosen) onChange(chosen.value);
        }}
      >
        {options.map((option) => (
          <option key={option.value} value={option.value}>
            {option.label}
          </option>
        ))}
      </select>
    </Labelled>
  );
}

interface PickProps extends Frame, SelectHTMLAttributes<HTMLSelectElement> {
  options: readonly { value: string; label: string }[];
  ref?: Ref<HTMLSelectElement>;
}

/** One of several as a field of a form: registered by name like any other. */
export function Pick({ label, fault, hint, options, ...rest }: PickProps) {
  const id = useId();
  return (
    <Labelled id={id} label={label} fault={fault} {...(hint ? { hint } : {})}>
      <select
        id={id}
        aria-invalid={fault ? true : undefined}
        aria-describedby={fault ? `${id}-fault` : undefined}
        className={`${box} ${edge(fault)}`}
        {...rest}
      >
        {options.map((option) => (
          <option key={option.value} value={option.value}>
            {option.label}
          </option>
        ))}
      </select>
    </Labelled>
  );
}
