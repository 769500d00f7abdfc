import { ask, client } from "../../api";
import { isZip, sentAs } from "./upload";

/** The table a file holds, as CSV text: of a spreadsheet its first sheet, as the server reads it. */
export async function tableOf(file: File): Promise<string> {
  if (!(await isZip(file))) return file.text();
  return (await ask(client.POST("/api/spreadsheet", sentAs(file)))).text;
}
