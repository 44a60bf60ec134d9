import Link from 'next/link';
import { TopBar } from '@/ui/shared/TopBar';

export default function NotFound() {
  return (
    <div className="flex h-dvh flex-col">
      <TopBar />
      <main id="content" tabIndex={-1} className="p-8 outline-none">
        <h1 className="font-serif text-[20px] font-semibold">There is nothing here</h1>
        <p className="py-2 text-soft">What this address meant was removed, or never was.</p>
        <Link href="/shelf" className="font-semibold text-leaf-ink">
          Back to the shelf
        </Link>
      </main>
    </div>
  );
}
