import { vi } from 'vitest';

const router = { push: vi.fn(), replace: vi.fn(), refresh: vi.fn(), back: vi.fn(), prefetch: vi.fn() };

/** Stands in for the framework's navigation: where a page was sent, and whether it was to be read anew. */
export const navigation = {
  router,
  useRouter: () => router,
  usePathname: () => '/p/p1',
  useParams: () => ({}),
  useSearchParams: () => new URLSearchParams(),
};
