/** Whether a file begins as a zip does: a job with its pictures, a spreadsheet. */
export async function isZip(file: File): Promise<boolean> {
  return (await file.slice(0, 2).text()) === "PK";
}

/** How a file is sent as it is: the generated types know it as text. What else is said goes along. */
export const sentAs = (file: File, more: Readonly<Record<string, string>> = {}) => ({
  body: { file: "", ...more },
  bodySerializer: () => {
    const form = new FormData();
    form.set("file", file);
    for (const [name, value] of Object.entries(more)) form.set(name, value);
    return form;
  },
});
