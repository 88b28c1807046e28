/** Why a piece or a level of a room cannot be called so; "" where it can. */
export function refuseName(name: string): string {
  return /^[A-Za-z][A-Za-z0-9 _-]{0,39}$/.test(name)
    ? ""
    : "A letter first, then letters, digits, spaces, - and _.";
}
