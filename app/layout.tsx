import type { Metadata, Viewport } from 'next';
import { cookies, headers } from 'next/headers';
import { keepEarlyInput, PAGE_ANSWERS } from '@/ui/shell/early-input';
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
        <script
          nonce={nonce}
          // A browser does not show a nonce to scripts.
          suppressHydrationWarning
          dangerouslySetInnerHTML={{ __html: `(${keepEarlyInput.toString()})('${PAGE_ANSWERS}')` }}
        />
        <NonceProvider nonce={nonce}>{children}</NonceProvider>
      </body>
    </html>
  );
}
