import type { Metadata, Viewport } from 'next';
import { cookies, headers } from 'next/headers';
import { EarlyTyping } from '@/ui/shell/EarlyTyping';
import { NonceProvider } from '@/ui/shell/NonceProvider';
import '@/ui/design/theme.css';

export const metadata: Metadata = {
  title: { default: 'Didaktor', template: '%s · Didaktor' },
  description: 'Prepare, rehearse and judge beginner lessons with a board and a breadboard.',
};

export const viewport: Viewport = { width: 'device-width', initialScale: 1 };

export default async function RootLayout({ children }: { readonly children: React.ReactNode }) {
  const nonce = (await headers()).get('x-nonce') ?? '';
  const theme = (await cookies()).get('didaktor-theme')?.value === 'dark' ? 'dark' : 'light';
  return (
    <html lang="en" data-theme={theme}>
      <body>
        <NonceProvider nonce={nonce}>{children}</NonceProvider>
        <EarlyTyping />
      </body>
    </html>
  );
}
