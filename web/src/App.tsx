import { MutationCache, QueryCache, QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { useState } from 'react';
import { createBrowserRouter, RouterProvider, useRouteError } from 'react-router';
import { Problem } from './api/client';
import { keys } from './api/queries';
import { Shell } from './shell/Shell';
import { GlobalStyle } from './theme/GlobalStyle';
import { ProblemNote } from './ui/ProblemNote';
import { Page } from './ui/Sheet';
import { CustomerView } from './views/customer/CustomerView';
import { DriveView } from './views/drive/DriveView';
import { FloorView } from './views/floor/FloorView';
import { IntakeHome } from './views/intake/IntakeHome';
import { IntakeView } from './views/intake/IntakeView';
import { OfJob } from './views/intake/OfJob';
import { JobView } from './views/job/JobView';
import { EntryView } from './views/know-how/EntryView';
import { KnowHowView } from './views/know-how/KnowHowView';
import { OwnMoveView } from './views/know-how/OwnMoveView';
import { MakersView } from './views/makers/MakersView';
import { MemoryView } from './views/memory/MemoryView';
import { BatteryView } from './views/battery/BatteryView';
import { RescueView } from './views/rescue/RescueView';
import { IsolateView } from './views/isolate/IsolateView';
import { WorkView } from './views/work/WorkView';
import { PartView } from './views/part/PartView';
import { JoinView } from './views/people/JoinView';
import { MeView } from './views/people/MeView';
import { PeopleView } from './views/people/PeopleView';
import { ReadingView } from './views/reading/ReadingView';
import { ShelfView } from './views/shelf/ShelfView';
import { ReportView } from './views/report/ReportView';
import { RulingView } from './views/ruling/RulingView';
import { WallView } from './views/wall/WallView';

const router = createBrowserRouter([
  { path: '/join/:code?', element: <JoinView />, errorElement: <Broken /> },
  {
    element: <Shell />,
    errorElement: <Broken />,
    children: [
      { path: '/', element: <FloorView /> },
      { path: '/sign-in', element: <FloorView /> },
      { path: '/job/:number', element: <JobView /> },
      { path: '/job/:number/intake', element: <OfJob /> },
      { path: '/job/:number/ruling', element: <RulingView /> },
      { path: '/job/:number/report', element: <ReportView /> },
      { path: '/reading/:id', element: <ReadingView /> },
      { path: '/drive/:number/:driveKey', element: <DriveView /> },
      { path: '/rescue/:number/:driveKey', element: <RescueView /> },
      { path: '/memory/:number', element: <MemoryView /> },
      { path: '/battery/:number', element: <BatteryView /> },
      { path: '/work/:number', element: <WorkView /> },
      { path: '/isolate/:number/:sort', element: <IsolateView /> },
      { path: '/intake', element: <IntakeHome /> },
      { path: '/intake/:id', element: <IntakeView /> },
      { path: '/wall', element: <WallView /> },
      { path: '/people', element: <PeopleView /> },
      { path: '/shelf', element: <ShelfView /> },
      { path: '/know-how', element: <KnowHowView /> },
      { path: '/know-how/own-move', element: <OwnMoveView /> },
      { path: '/know-how/:subject/:id', element: <EntryView /> },
      { path: '/makers', element: <MakersView /> },
      { path: '/me', element: <MeView /> },
      { path: '/part/:id', element: <PartView /> },
      { path: '/customer/:id', element: <CustomerView /> },
      { path: '*', element: <FloorView /> },
    ],
  },
]);

/** A mistake of ours while drawing a view. */
function Broken() {
  return (
    <Page>
      <ProblemNote error={useRouteError()} />
    </Page>
  );
}

const isRefusal = (error: unknown) =>
  error instanceof Problem && error.status >= 400 && error.status < 500;

/** A session that has ended is noticed at whatever was asked; the shell then shows the sign-in. */
function makeClient(): QueryClient {
  const onError = (error: unknown) => {
    if (error instanceof Problem && error.status === 401) {
      void client.invalidateQueries({ queryKey: keys.session });
    }
  };
  const client = new QueryClient({
    queryCache: new QueryCache({ onError }),
    mutationCache: new MutationCache({ onError }),
    defaultOptions: {
      queries: { retry: (n, error) => !isRefusal(error) && n < 2, refetchOnWindowFocus: true },
    },
  });
  return client;
}

export function App() {
  const [client] = useState(makeClient);
  return (
    <QueryClientProvider client={client}>
      <GlobalStyle />
      <RouterProvider router={router} />
    </QueryClientProvider>
  );
}
