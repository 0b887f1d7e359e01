'use client';

import { Button } from '../design/Button';

export const PrintButton = ({ children }: { readonly children: React.ReactNode }) => (
  <Button className="print:hidden" onClick={() => window.print()}>
    {children}
  </Button>
);
