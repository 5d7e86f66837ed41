/** Parts of a bake as the address of a comparison names them: whatever they are called. */
export const partsBeside = (bake: string, parts: string[]) =>
  parts.map((part) => (part ? `${bake}:${encodeURIComponent(part)}` : bake)).join(',')
