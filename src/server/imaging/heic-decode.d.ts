/** The package has no types of its own. */
declare module 'heic-decode' {
  interface Decoded {
    readonly width: number;
    readonly height: number;
    readonly data: Uint8ClampedArray;
  }
  interface HeicImage {
    readonly width: number;
    readonly height: number;
    decode(): Promise<Decoded>;
  }
  const decode: {
    all(input: { buffer: Uint8Array }): Promise<HeicImage[] & { dispose(): void }>;
  };
  export default decode;
}
