/** Words that begin a line: "Front door" of "front door". */
export function capital(words: string): string {
  return words.charAt(0).toUpperCase() + words.slice(1);
}
