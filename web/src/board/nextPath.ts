/** The address of a next step: paths are given below the vehicle. */
export function nextPath(vehicle: string, path: string): string {
  const resolved = new URL(path, `http://here/vehicles/${vehicle}/`).pathname;
  return resolved.endsWith('/') && resolved !== '/' ? resolved.slice(0, -1) : resolved;
}
