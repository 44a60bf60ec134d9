import type { Metadata } from 'next';
import type { ReactNode } from 'react';
import { Toaster } from 'sonner';
import { THEME_SCRIPT } from '@/ui/shared/themeScript';
import './globals.css';

export const metadata: Metadata = {
  title: { default: 'Gilder', template: '%s · Gilder' },
  description: 'A workshop for animated titles.',
};

export default function RootLayout({ children }: { readonly children: ReactNode }) {
  return (
    <html lang="en" suppressHydrationWarning>
      <head>
        <script dangerouslySetInnerHTML={{ __html: THEME_SCRIPT }} />
      </head>
      <body>
        {children}
        <Toaster position="bottom-center" />
      </body>
    </html>
  );
}
