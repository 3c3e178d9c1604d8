declare module "gltf-validator" {
  /** What the reader found; severity 0 is an error. */
  export interface GltfReport {
    readonly issues: {
      readonly numErrors: number;
      readonly messages: readonly {
        readonly code: string;
        readonly severity: number;
        readonly message: string;
      }[];
    };
    readonly info: {
      readonly resources: readonly { readonly mimeType?: string }[];
    };
  }
  export function validateBytes(data: Uint8Array): Promise<GltfReport>;
}
