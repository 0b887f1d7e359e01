import type { NextConfig } from 'next';

const config: NextConfig = {
  poweredByHeader: false,
  reactStrictMode: true,
  // Keeps what has not changed: a Worksheet is drawn anew with every key.
  reactCompiler: true,
  // Read from node_modules at run time: a native binding, and a library that finds its own files.
  serverExternalPackages: ['@node-rs/argon2', 'graphile-worker', 'knex', 'pg', 'pino', 'web-tree-sitter'],
  outputFileTracingRoot: import.meta.dirname,
  devIndicators: false,
  // npm test checks the types, of everything at once.
  typescript: { ignoreBuildErrors: true },
};

export default config;
