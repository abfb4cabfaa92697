import { router } from 'expo-router';
import { Component, type ReactNode } from 'react';
import { View } from 'react-native';
import { Button } from './Button';
import { loadPage } from './loadPage';
import { Caution } from './Notice';
import { SPACE } from './theme';
import { Words } from './Words';

interface BoundaryProps {
  readonly children: ReactNode;
  /** Changes with the page: another page is tried afresh. */
  readonly page: string;
  /** What to do before it is tried again, such as fetching a part anew. */
  readonly onAgain?: () => void;
}

interface BoundaryState {
  readonly error: Error | null;
  /** The address at which it broke: without the page that it led to, the router may forget it. */
  readonly at: string;
}

/** Where a screen cannot be drawn: what happened, that nothing is lost, and the way on and back. */
export class Boundary extends Component<BoundaryProps, BoundaryState> {
  override state: BoundaryState = { error: null, at: '' };

  static getDerivedStateFromError(error: Error) {
    return { error, at: window.location.href };
  }

  override componentDidMount() {
    window.addEventListener('popstate', this.back);
  }

  override componentDidUpdate(before: BoundaryProps) {
    if (this.byBrowser()) return;
    if (before.page !== this.props.page && this.state.error) this.setState({ error: null });
  }

  override componentWillUnmount() {
    window.removeEventListener('popstate', this.back);
  }

  /**
   * Where nobody here can fetch the part again, the browser can: what was tapped is kept. The
   * router, left without the page, may name another by itself: that is no wish of anybody's.
   */
  private byBrowser(): boolean {
    const { error } = this.state;
    return error !== null && isMissingPart(error) && !this.props.onAgain;
  }

  private readonly back = () => {
    if (this.byBrowser()) loadPage(window.location.href);
  };

  private readonly again = () => {
    if (this.byBrowser()) {
      loadPage(this.state.at);
      return;
    }
    this.props.onAgain?.();
    this.setState({ error: null });
  };

  private readonly toJobs = () => {
    if (this.byBrowser()) loadPage('/');
    else router.replace('/');
  };

  override render() {
    const { error } = this.state;
    if (!error) return this.props.children;
    const missing = isMissingPart(error);
    return (
      <View style={{ padding: SPACE.large, gap: SPACE.medium }} role="alert">
        <Words size="head" heading={1}>
          {missing ? 'A part of the app could not be fetched' : 'This page cannot be shown'}
        </Words>
        <Caution title={missing ? 'The connection broke off.' : error.message}>
          What was tapped is kept on this phone; nothing is lost.
        </Caution>
        <Button label="Try again" onPress={this.again} />
        <Button label="To the jobs" onPress={this.toJobs} />
        <Button label="Load the page anew" onPress={() => loadPage(this.state.at)} />
      </View>
    );
  }
}

/** Whether a part of the program did not come, as when the connection breaks off. */
function isMissingPart(error: Error): boolean {
  return /loading module|chunk|dynamically imported|Failed to fetch|import/i.test(error.message);
}
