/**
 * What a page may load and run (CSP level 3): its own files, and scripts that carry the nonce of this very answer.
 * Shaping runs in WebAssembly; styles are set on elements. The development server evaluates what it reloads.
 */
export function contentPolicy(nonce: string, development: boolean): string {
  const dev = development ? " 'unsafe-eval'" : '';
  return [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'wasm-unsafe-eval'${dev}`,
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' blob: data:",
    "media-src 'self' blob:",
    "font-src 'self' data:",
    "worker-src 'self' blob:",
    `connect-src 'self' blob:${development ? ' ws:' : ''}`,
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ');
}
