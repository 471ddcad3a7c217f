declare module 'jstat' {
  const jstat: { studentt: { inv(share: number, degrees: number): number } };
  export default jstat;
}
