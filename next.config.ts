import type { NextConfig } from 'next';

const config: NextConfig = {
  serverExternalPackages: ['@electric-sql/pglite', '@napi-rs/canvas', 'harfbuzzjs', 'pg'],
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
