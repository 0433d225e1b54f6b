/** What the tests use of a reader of captions that comes without types. */
declare module 'node-webvtt' {
  export function parse(
    text: string,
    options?: { strict?: boolean },
  ): { readonly cues: ReadonlyArray<{ readonly start: number; readonly end: number; readonly text: string }> };
}
