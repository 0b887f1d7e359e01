import type { NextConfig } from 'next';

const config: NextConfig = {
  poweredByHeader: false,
  reactStrictMode: true,
  // Read from node_modules at run time: a native binding, and a library that finds its own files.
  serverExternalPackages: ['@node-rs/argon2', 'knex', 'pg', 'pino', 'web-tree-sitter'],
  outputFileTracingRoot: import.meta.dirname,
  devIndicators: false,
};

export default config;
