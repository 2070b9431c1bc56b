import { Component, type ReactNode } from 'react';

interface Props {
  /** Where the person is: when it changes, what broke is tried anew. */
  at: string;
  /** What broke, in words: 'This screen', 'The page'. */
  what: string;
  children: ReactNode;
}

interface State {
  error: Error | null;
  at: string;
}

/** Keeps what stands round it when something inside breaks: says so, and what to do. Nothing that was logged is lost by it. */
export class Kept extends Component<Props, State> {
  override state: State = { error: null, at: this.props.at };

  static getDerivedStateFromError(error: unknown): Partial<State> {
    return { error: error instanceof Error ? error : new Error(String(error)) };
  }

  static getDerivedStateFromProps(props: Props, state: State): Partial<State> | null {
    return props.at === state.at ? null : { at: props.at, error: null };
  }

  override render() {
    const { error } = this.state;
    if (!error) return this.props.children;
    return (
      <div className="page" role="alert">
        <h1>{this.props.what} broke down</h1>
        <p>What was logged is kept. Try again; if it breaks again, go to another screen, or load the page anew.</p>
        <p className="q sm">It said: {error.message}</p>
        <div className="acts">
          <button type="button" className="bordered" onClick={() => this.setState({ error: null })}>
            Try again
          </button>
          <button type="button" className="bordered" onClick={() => window.location.reload()}>
            Load the page anew
          </button>
        </div>
      </div>
    );
  }
}
