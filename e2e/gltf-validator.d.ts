declare module 'gltf-validator' {
  interface Report {
    issues: { messages: { code: string; message: string; pointer?: string }[] };
    info: { totalTriangleCount: number };
  }
  export function validateBytes(data: Uint8Array): Promise<Report>;
}
