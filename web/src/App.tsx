import { MutationCache, QueryCache, QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { useState } from 'react';
import { createBrowserRouter, RouterProvider, useRouteError } from 'react-router';
import { I18nProvider } from 'react-aria-components';
import { Problem } from './api/client';
import { keys } from './api/queries';
import { Shell } from './shell/Shell';
import { GlobalStyle } from './theme/GlobalStyle';
import { Loading } from './ui/Loading';
import { NoSuchPage } from './ui/NoSuchPage';
import { ProblemNote } from './ui/ProblemNote';
import { Page } from './ui/Sheet';
import { locale } from './words/words';

/** Each view is a file of its own, fetched when it is first opened. */
const router = createBrowserRouter([
  {
    path: '/join/:code?',
    lazy: () => import('./views/people/JoinView').then((m) => ({ Component: m.JoinView })),
    errorElement: <Broken />,
    HydrateFallback: Loading,
  },
  {
    path: '/ca',
    lazy: () =>
      import('./views/authority/AuthorityView').then((m) => ({ Component: m.AuthorityView })),
    errorElement: <Broken />,
    HydrateFallback: Loading,
  },
  {
    element: <Shell />,
    errorElement: <Broken />,
    HydrateFallback: Loading,
    children: [
      {
        path: '/',
        lazy: () => import('./views/floor/FloorView').then((m) => ({ Component: m.FloorView })),
      },
      {
        path: '/sign-in',
        lazy: () => import('./views/floor/FloorView').then((m) => ({ Component: m.FloorView })),
      },
      {
        path: '/job/:number',
        lazy: () => import('./views/job/JobView').then((m) => ({ Component: m.JobView })),
      },
      {
        path: '/job/:number/intake',
        lazy: () => import('./views/intake/OfJob').then((m) => ({ Component: m.OfJob })),
      },
      {
        path: '/job/:number/decision',
        lazy: () =>
          import('./views/decision/DecisionView').then((m) => ({ Component: m.DecisionView })),
      },
      {
        path: '/job/:number/report',
        lazy: () => import('./views/report/ReportView').then((m) => ({ Component: m.ReportView })),
      },
      {
        path: '/reading/:id',
        lazy: () =>
          import('./views/reading/ReadingView').then((m) => ({ Component: m.ReadingView })),
      },
      {
        path: '/drive/:number/:partKey',
        lazy: () => import('./views/drive/DriveView').then((m) => ({ Component: m.DriveView })),
      },
      {
        path: '/rescue/:number/:partKey',
        lazy: () => import('./views/rescue/RescueView').then((m) => ({ Component: m.RescueView })),
      },
      {
        path: '/memory/:number',
        lazy: () => import('./views/memory/MemoryView').then((m) => ({ Component: m.MemoryView })),
      },
      {
        path: '/battery/:number',
        lazy: () =>
          import('./views/battery/BatteryView').then((m) => ({ Component: m.BatteryView })),
      },
      {
        path: '/work/:number',
        lazy: () => import('./views/work/WorkView').then((m) => ({ Component: m.WorkView })),
      },
      {
        path: '/isolate/:number/:sort',
        lazy: () =>
          import('./views/isolate/IsolateView').then((m) => ({ Component: m.IsolateView })),
      },
      {
        path: '/intake',
        lazy: () => import('./views/intake/IntakeHome').then((m) => ({ Component: m.IntakeHome })),
      },
      {
        path: '/intake/:id',
        lazy: () => import('./views/intake/IntakeView').then((m) => ({ Component: m.IntakeView })),
      },
      {
        path: '/stick',
        lazy: () => import('./views/stick/StickView').then((m) => ({ Component: m.StickView })),
      },
      {
        path: '/wall',
        lazy: () => import('./views/wall/WallView').then((m) => ({ Component: m.WallView })),
      },
      {
        path: '/people',
        lazy: () => import('./views/people/PeopleView').then((m) => ({ Component: m.PeopleView })),
      },
      {
        path: '/stock',
        lazy: () => import('./views/stock/StockView').then((m) => ({ Component: m.StockView })),
      },
      {
        path: '/records',
        lazy: () =>
          import('./views/records/RecordsView').then((m) => ({ Component: m.RecordsView })),
      },
      {
        path: '/prices',
        lazy: () => import('./views/prices/PricesView').then((m) => ({ Component: m.PricesView })),
      },
      {
        path: '/know-how',
        lazy: () =>
          import('./views/know-how/KnowHowView').then((m) => ({ Component: m.KnowHowView })),
      },
      {
        path: '/know-how/own-move',
        lazy: () =>
          import('./views/know-how/OwnMoveView').then((m) => ({ Component: m.OwnMoveView })),
      },
      {
        path: '/know-how/:subject/:id',
        lazy: () => import('./views/know-how/EntryView').then((m) => ({ Component: m.EntryView })),
      },
      {
        path: '/makers',
        lazy: () => import('./views/makers/MakersView').then((m) => ({ Component: m.MakersView })),
      },
      {
        path: '/me',
        lazy: () => import('./views/people/MeView').then((m) => ({ Component: m.MeView })),
      },
      {
        path: '/part/:id',
        lazy: () => import('./views/part/PartView').then((m) => ({ Component: m.PartView })),
      },
      {
        path: '/customer/:id',
        lazy: () =>
          import('./views/customer/CustomerView').then((m) => ({ Component: m.CustomerView })),
      },
      { path: '*', element: <NoSuchPage /> },
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
      <I18nProvider locale={locale()}>
        <GlobalStyle />
        <RouterProvider router={router} />
      </I18nProvider>
    </QueryClientProvider>
  );
}
