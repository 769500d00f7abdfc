import { ask, client } from "../../api";

/** The table a file holds, as CSV text: of a spreadsheet its first sheet, as the server reads it. */
export async function tableOf(file: File): Promise<string> {
  if ((await file.slice(0, 2).text()) !== "PK") return file.text();
  const body = { file: "" };
  const bodySerializer = () => {
    const form = new FormData();
    form.set("file", file);
    return form;
  };
  return (await ask(client.POST("/api/spreadsheet", { body, bodySerializer }))).text;
}
