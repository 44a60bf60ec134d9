import type { NextConfig } from 'next';

const SAFE_HEADERS = [
  { key: 'X-Content-Type-Options', value: 'nosniff' },
  { key: 'X-Frame-Options', value: 'DENY' },
  { key: 'Referrer-Policy', value: 'same-origin' },
  {
    key: 'Permissions-Policy',
    value: 'camera=(), microphone=(), geolocation=(), display-capture=(), usb=()',
  },
  { key: 'Cross-Origin-Opener-Policy', value: 'same-origin' },
  { key: 'Cross-Origin-Resource-Policy', value: 'same-origin' },
];
// Nothing that the interface sends is a page: what somebody uploaded cannot run, wherever it is opened.
const DATA_POLICY = {
  key: 'Content-Security-Policy',
  value: "default-src 'none'; frame-ancestors 'none'; sandbox",
};

const config: NextConfig = {
  headers: () =>
    Promise.resolve([
      { source: '/:path*', headers: SAFE_HEADERS },
      { source: '/api/:path*', headers: [DATA_POLICY] },
    ]),
  serverExternalPackages: ['@electric-sql/pglite', '@napi-rs/canvas', 'harfbuzzjs', 'pg', 'pg-boss'],
  // The check script runs the type checker on its own.
  typescript: { ignoreBuildErrors: true },
  turbopack: {
    root: import.meta.dirname,
    // harfbuzzjs asks for Node's module loader, which it does not use in a browser.
    resolveAlias: { module: { browser: './src/empty.ts' } },
  },
  devIndicators: false,
  poweredByHeader: false,
};

export default config;
