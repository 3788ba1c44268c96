export default function NotFound() {
  return (
    <main className="p-6 max-w-xl">
      <h1>Not here</h1>
      <p className="my-3">There is no such page among your firm’s, or it was removed.</p>
      {/* A plain link: this page's parts are sent along with every other page. */}
      <a className="act" href="/grounds">
        To the properties
      </a>
    </main>
  );
}
