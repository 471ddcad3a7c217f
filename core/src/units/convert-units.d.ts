declare module 'convert-units' {
  export default function convert(value: number): { from(unit: string): { to(unit: string): number } };
}
