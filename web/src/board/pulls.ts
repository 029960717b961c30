/** A thing pulled: from which part on (without one, all day) and by which part it is mended or replaced (without one, not that day). */
export interface Pull {
  item: string;
  part?: string;
  until?: string;
}

/** As addresses and the server say it: `item`, `item@part`, `item@part..part`, `item@..part`. */
export const pullText = ({ item, part, until }: Pull) =>
  until ? `${item}@${part ?? ""}..${until}` : part ? `${item}@${part}` : item;

export function readPull(text: string): Pull {
  const at = text.lastIndexOf("@");
  if (at < 0) return { item: text };
  const [part, until] = text.slice(at + 1).split("..");
  return { item: text.slice(0, at), part: part || undefined, until };
}
