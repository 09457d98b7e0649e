/** Hands something out as a file, without asking the server. */
export function downloadFile(name: string, content: BlobPart, type: string): void {
  const url = URL.createObjectURL(new Blob([content], { type }));
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  URL.revokeObjectURL(url);
}

export function downloadJson(name: string, value: unknown): void {
  downloadFile(name, JSON.stringify(value, null, 1), 'application/json');
}
