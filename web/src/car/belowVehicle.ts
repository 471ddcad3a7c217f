/** An address that is given below a vehicle, as next steps and standings are. */
export function belowVehicle(vehicle: string, path: string): string {
  const resolved = new URL(path, `http://here/vehicles/${vehicle}/`).pathname;
  return resolved.endsWith('/') && resolved !== '/' ? resolved.slice(0, -1) : resolved;
}
