/** Where the page keeps who ticks. */
export const tickedBy = "ticked-by";

/** Whoever is let in with a phone ticks under that name. */
export const keepName = (name: string) => localStorage.setItem(tickedBy, name);
