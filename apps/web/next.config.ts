import { join } from 'node:path';
import type { NextConfig } from 'next';

const repository = join(import.meta.dirname, '..', '..');

const config: NextConfig = {
  turbopack: { root: repository },
  outputFileTracingRoot: repository,
  transpilePackages: ['@inkwell/core', '@inkwell/formats', '@inkwell/review', '@inkwell/store', '@inkwell/work'],
  serverExternalPackages: ['pg', 'piscina', 'yauzl', 'yazl'],
  compiler: { styledComponents: true },
  poweredByHeader: false,
};

export default config;
