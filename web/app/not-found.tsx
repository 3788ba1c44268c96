import Link from 'next/link';

export default function NotFound() {
  return (
    <main className="p-6 max-w-xl">
      <h1>Not here</h1>
      <p className="my-3">There is no such page among your firm’s, or it was removed.</p>
      <Link className="act" href="/grounds">
        To the grounds
      </Link>
    </main>
  );
}
