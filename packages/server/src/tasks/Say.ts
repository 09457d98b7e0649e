/** Says how far a task is. @param share of the whole, 0 to 1 */
export type Say = (step: string, share: number) => void;
