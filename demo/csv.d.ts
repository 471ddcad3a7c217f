declare module '*.csv' {
  const text: string;
  export default text;
}
