/** A fetch that tells how much of what it sends has gone, 0 to 1: for what takes long to send. */
export const telling =
  (told: (share: number) => void) =>
  async (request: Request): Promise<Response> => {
    const body = await request.blob();
    return new Promise((resolve, reject) => {
      const sent = new XMLHttpRequest();
      sent.open(request.method, request.url);
      sent.responseType = "blob";
      request.headers.forEach((value, name) => sent.setRequestHeader(name, value));
      sent.upload.onprogress = ({ loaded, total }) => told(total > 0 ? loaded / total : 0);
      sent.onload = () => {
        const type = sent.getResponseHeader("content-type") ?? "";
        resolve(
          new Response(sent.response as Blob, { status: sent.status, headers: { "content-type": type } }),
        );
      };
      sent.onerror = () => reject(new TypeError("The server did not answer."));
      sent.send(body);
    });
  };

/** The body of an answer, telling how much of it has come, 0 to 1, where its length is known. */
export async function readTelling(answer: Response, told: (share: number) => void): Promise<Blob> {
  const length = Number(answer.headers.get("content-length") ?? 0);
  const parts: BlobPart[] = [];
  let come = 0;
  const reader = answer.body?.getReader();
  for (;;) {
    const part = await reader?.read();
    if (!part || part.done) break;
    parts.push(part.value);
    come += part.value.length;
    if (length > 0) told(Math.min(come / length, 1));
  }
  return new Blob(parts, { type: answer.headers.get("content-type") ?? "" });
}
