/** Stands for the empty code: an option that chooses nothing has to have one of its own. */
const NOTHING = 'nothing:';

/** Returns what a primitive knows a code by. */
export const inside = (code: string): string => (code === '' ? NOTHING : code);

/** Returns the code that a primitive means. */
export const outside = (code: string): string => (code === NOTHING ? '' : code);
