import { Link } from 'react-router';

/** A view that could not be fetched: each is a file of its own. */
export const AwayPage = () => (
  <Page title="This page could not be fetched">
    <p>The server is away. Your work is kept in this browser and sent when it is back.</p>
    <button type="button" className="action action-main mt-4" onClick={() => window.location.reload()}>
      Try again
    </button>
  </Page>
);

/**
 * An address that is nothing here, or a view that failed.
 * @param error what failed; none for an address that is nothing here
 */
export function LostPage({ error }: { error?: unknown }) {
  if (error === undefined) {
    return (
      <Page title="This page does not exist">
        <p>The address leads to no class, script, series or exercise of this studio.</p>
        <Back />
      </Page>
    );
  }
  return (
    <Page title="This page failed">
      <p>Everything saved is on the server, and what was not yet saved is kept in this browser.</p>
      <details className="mt-3 text-soft">
        <summary>What went wrong, for whoever mends it</summary>
        <pre className="mt-1 overflow-x-auto text-sm whitespace-pre-wrap">
          {error instanceof Error ? (error.stack ?? error.message) : String(error)}
        </pre>
      </details>
      <Back reload />
    </Page>
  );
}

function Page({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <main className="mx-auto max-w-xl p-10">
      <h1 className="mb-3 font-name text-3xl">{title}</h1>
      {children}
    </main>
  );
}

function Back({ reload = false }: { reload?: boolean }) {
  return (
    <p className="mt-4">
      <Link to="/class" className="action action-main" reloadDocument={reload}>
        Go to the classes
      </Link>
    </p>
  );
}
