import { isRouteErrorResponse, Link, useRouteError } from 'react-router';

/** An address that is nothing here, or a view that failed. */
export function LostPage() {
  const error = useRouteError();
  const failed = error !== undefined && error !== null && !isRouteErrorResponse(error);
  return (
    <main className="mx-auto max-w-xl p-10">
      <h1 className="font-name text-3xl">{failed ? 'This view fell off its rung' : 'Nothing is kept here'}</h1>
      <p className="mt-3">
        {failed
          ? 'Your work is safe: everything saved is on the server, and what was not yet saved is kept in this browser.'
          : 'The address leads to no class, script, series or exercise of this studio.'}
      </p>
      <p className="mt-4">
        <Link to="/class" className="action action-main" reloadDocument={failed}>
          Go to the classes
        </Link>
      </p>
    </main>
  );
}
