/** Decodes the picture of a HEIC file (HEVC in HEIF), upright, as RGBA. Throws where it is none. */
declare module 'heic-decode' {
  export default function decode(file: {
    buffer: Uint8Array;
  }): Promise<{ width: number; height: number; data: Uint8ClampedArray }>;
}
