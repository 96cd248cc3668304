/** Checks files of glTF: faults, warnings and hints, by number and word. */
declare module 'gltf-validator' {
  export function validateBytes(bytes: Uint8Array): Promise<{
    issues: { numErrors: number; messages: { code: string; message: string; severity: number; pointer?: string }[] };
    info: { totalTriangleCount: number };
  }>;
}
