import { notFound } from 'next/navigation';
import { GoneError, NotFoundError } from '@/server/respond';

/** What was asked for, or the page that says it does not exist. */
export async function orNotFound<T>(asked: Promise<T>): Promise<T> {
  try {
    return await asked;
  } catch (error) {
    if (error instanceof NotFoundError || error instanceof GoneError) notFound();
    throw error;
  }
}
