import Button from '@mui/material/Button';
import { Component, lazy, Suspense, type ComponentType, type ReactNode } from 'react';

/** A part that can't be fetched says so in its own place; the rest of the page goes on. */
class PartBoundary extends Component<{ children: ReactNode; onRetry: () => void }, { hasFailed: boolean }> {
  override state = { hasFailed: false };

  static getDerivedStateFromError() {
    return { hasFailed: true };
  }

  override render() {
    if (!this.state.hasFailed) return this.props.children;
    return (
      <div role="alert">
        This part couldn’t be loaded. <Button onClick={this.props.onRetry}>Try again</Button>
      </div>
    );
  }
}

/** A part of a screen, such as a dialog, that is fetched when it is first shown. Until it is there its place is empty. */
export function onDemand<P extends object>(fetched: () => Promise<ComponentType<P>>): ComponentType<P> {
  const Fetched = lazy(async () => ({ default: await fetched() }));
  return function OnDemand(props: P) {
    return (
      // A browser remembers a module that failed: only a new page asks again. Everything entered is kept.
      <PartBoundary onRetry={() => window.location.reload()}>
        <Suspense>
          <Fetched {...props} />
        </Suspense>
      </PartBoundary>
    );
  };
}
