/** Where what is typed of a job's crossovers or boxes is kept: apart from the form, which comes when it is opened. */
export function keptName(what: string, jobId: string): string {
  return `${what}.${jobId}`;
}
