/** What a screen, or a part of one, has to show at the moment. */
export type Screen<Data> =
  | { state: "loading"; what: string; data?: undefined }
  | { state: "failed"; error: Error; retry?: () => void; data?: undefined }
  | { state: "empty"; why: string; data?: undefined }
  | { state: "ready"; data: Data };

type Request<Data> = { data: Data | undefined; error: Error | null; refetch: () => unknown };

/** A request as a screen: `what` is being read until it is there. */
export function asked<Data>(request: Request<Data>, what: string): Screen<Data> {
  if (request.error) return { state: "failed", error: request.error, retry: () => void request.refetch() };
  if (request.data === undefined) return { state: "loading", what };
  return { state: "ready", data: request.data };
}

/** A screen of what another one has, which is drawn only where that is ready. */
export function andThen<Data, Next>(screen: Screen<Data>, next: (data: Data) => Screen<Next>): Screen<Next> {
  return screen.state === "ready" ? next(screen.data) : screen;
}
