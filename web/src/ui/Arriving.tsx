import { Suspense, type ReactNode } from 'react';
import { ErrorBoundary } from 'react-error-boundary';
import { Button } from './Button';
import { Remark } from './Remark';

interface ArrivingProps {
  /** What stands there until it has come. */
  readonly meanwhile?: ReactNode;
  /** What stands there where it cannot be had; else that is said, with a way to try again. */
  readonly instead?: ReactNode;
  /** Tried anew when one of them is another: an address, say. */
  readonly resetKeys?: readonly unknown[];
  readonly children: ReactNode;
}

/** Room for a view that comes `later`: one that cannot be had, or breaks, takes nothing else with it. */
export function Arriving({ meanwhile = null, instead, resetKeys, children }: ArrivingProps) {
  return (
    <ErrorBoundary
      {...(resetKeys ? { resetKeys: [...resetKeys] } : {})}
      fallbackRender={({ resetErrorBoundary }) =>
        instead === undefined ? (
          <Remark tone="bad" role="alert">
            <span>
              This part could not be had: the server is away, or the part broke. Nothing that you wrote is lost.{' '}
              <Button kind="quiet" onClick={resetErrorBoundary}>
                Try again
              </Button>
            </span>
          </Remark>
        ) : (
          instead
        )
      }
    >
      <Suspense fallback={meanwhile}>{children}</Suspense>
    </ErrorBoundary>
  );
}
