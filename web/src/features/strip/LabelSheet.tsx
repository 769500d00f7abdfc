import type { Schemas } from "../../api";

interface Props {
  form: { roll: boolean; width: number; height: number; columns: number; rows: number; skip: number };
  first: Schemas["LabelsOut"];
  job: string;
}

const A4 = { width: 210, height: 297 };

/** The first page as it will be cut, and the first label large. */
export function LabelSheet({ form, first, job }: Props) {
  return (
    <section aria-label="How they will look" className="flex flex-wrap items-start gap-6">
      <div
        className="flex items-center border border-line "
        style={{
          background: "#fff",
          color: "#000",
          width: 320,
          minHeight: (320 * form.height) / Math.max(form.width, 1),
        }}
      >
        <div className="min-w-0 flex-1 p-3 leading-tight">
          {first.mark && <p className="figure text-4xl font-bold">{first.mark} ↑</p>}
          <p className="text-lg font-semibold">{first.first}</p>
          <p className="text-sm">{job}</p>
        </div>
        <img
          src={`data:image/svg+xml;utf8,${encodeURIComponent(first.code)}`}
          alt="QR code of the first label"
          width={132}
          height={132}
        />
      </div>
      {!form.roll && <Sheet form={form} count={first.count} />}
    </section>
  );
}

function Sheet({ form, count }: { form: Props["form"]; count: number }) {
  const left = (A4.width - form.columns * form.width) / 2;
  const top = (A4.height - form.rows * form.height) / 2;
  const cells = Array.from({ length: form.columns * form.rows }, (_, n) => n);
  return (
    <svg
      viewBox={`0 0 ${A4.width} ${A4.height}`}
      width={170}
      role="img"
      aria-label={`First sheet: ${form.columns} by ${form.rows}`}
      className="border border-line"
    >
      <rect width={A4.width} height={A4.height} fill="#fff" />
      {cells.map((n) => (
        <rect
          key={n}
          x={left + (n % form.columns) * form.width + 1}
          y={top + Math.floor(n / form.columns) * form.height + 1}
          width={Math.max(0, form.width - 2)}
          height={Math.max(0, form.height - 2)}
          fill={n >= form.skip && n < form.skip + count ? "#dfe7f3" : "none"}
          stroke="#b9b6aa"
          strokeWidth={0.6}
        />
      ))}
    </svg>
  );
}
