import { isRouteErrorResponse, Link, useRouteError } from 'react-router';

/** A part of the app that could not be fetched: each view is a file of its own. */
const notFetched = (error: unknown): boolean =>
  error instanceof TypeError && /dynamically imported module|module script|Failed to fetch/i.test(error.message);

/** An address that is nothing here, a view that could not be fetched, or one that failed. */
export function LostPage() {
  const error = useRouteError();
  if (notFetched(error)) {
    return (
      <Page title="This page could not be fetched">
        <p>The server is away. Your work is kept in this browser and sent when it is back.</p>
        <button type="button" className="action action-main mt-4" onClick={() => window.location.reload()}>
          Try again
        </button>
      </Page>
    );
  }
  if (error === undefined || error === null || isRouteErrorResponse(error)) {
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
