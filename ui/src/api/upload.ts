/** How a file goes to the server as it is. */
export function asFile(file: Blob) {
  return {
    body: file as unknown as string,
    bodySerializer: (body: unknown) => body as Blob,
    headers: { 'Content-Type': 'application/octet-stream' },
  }
}
