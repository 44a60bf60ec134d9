import type { Metadata } from 'next';
import type { ReactNode } from 'react';
import { Toaster } from 'sonner';
import { DoneBefore } from '@/ui/shared/DoneBefore';
import { UploadTray } from '@/ui/shared/UploadTray';
import './globals.css';

export const metadata: Metadata = {
  title: { default: 'Gilder', template: '%s · Gilder' },
  description: 'A workshop for animated titles.',
};

export default function RootLayout({ children }: { readonly children: ReactNode }) {
  return (
    <html lang="en" suppressHydrationWarning>
      <head>
        {/* Before the first paint, so that a dark room is not lit up at every load and nothing that is typed is lost. */}
        {/* eslint-disable-next-line @next/next/no-sync-scripts -- it has to run before the first paint */}
        <script src="/early.js" />
      </head>
      <body>
        {children}
        <DoneBefore />
        <UploadTray />
        <Toaster position="bottom-center" />
      </body>
    </html>
  );
}
