declare module 'wcag-contrast' {
  const contrast: { hex: (one: string, other: string) => number };
  export default contrast;
}

declare module 'xliff' {
  export function xliff2js(document: string): Promise<unknown>;
}

declare module 'zipcodes' {
  const zipcodes: { codes: Record<string, { zip: string; state: string; country: string }> };
  export default zipcodes;
}
