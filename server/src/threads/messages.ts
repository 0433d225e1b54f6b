/** An error as it crosses from one thread to another: what is read of it by who catches it. */
export interface SentError {
  readonly name: string;
  readonly message: string;
  readonly severity?: unknown;
  readonly code?: unknown;
  readonly errno?: unknown;
}

export function sentError(error: unknown): SentError {
  const { name, message, severity, code, errno } = (error ?? {}) as Partial<SentError>;
  return {
    name: String(name ?? 'Error'),
    message: String(message ?? error),
    ...(severity === undefined ? {} : { severity }),
    ...(code === undefined ? {} : { code }),
    ...(errno === undefined ? {} : { errno }),
  };
}

/** The same error on this side. */
export const receivedError = ({ name, message, ...more }: SentError): Error =>
  Object.assign(new Error(message), { name, ...more });
