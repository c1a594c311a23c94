// Before all else: what reaches the server takes fetch as it finds it.
import { answer } from "./browser";
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { render } from "@testing-library/react";
import type { ComponentType } from "react";
import { MemoryRouter, Route, Routes } from "react-router";
import { SignedInAs } from "../domain/session";
import { SettingsProvider } from "../domain/settings";
import type { SignedIn } from "../domain/types";
import { useSender } from "../domain/useOutbox";
import catalogue from "./answers/catalogue.json";

/** Who works in these tests. */
export const PERSON = "tobias-renn";
const ME: SignedIn = {
  id: PERSON,
  name: "Tobias Renn",
  role: "technician",
  qualified: true,
  hasPin: true,
  may: ["WORK", "ACCEPT_PROVEN", "ACCEPT_UNPROVEN", "ORDER", "SECOND_CHECK", "RELEASE"],
};

function Sending({ View }: { View: ComponentType }) {
  useSender();
  return <View />;
}

/** One page at its address, signed by somebody, with the server's answers; words of the catalogue are shown by their ids. */
export function open(View: ComponentType, pattern: string, at: string, by: Record<string, unknown>) {
  localStorage.setItem("overturn-settings", JSON.stringify({ units: "metric", theme: "light" }));
  answer({ "/api/words": {}, "/api/catalogue": catalogue, ...by });
  const queries = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  return render(
    <QueryClientProvider client={queries}>
      <SignedInAs person={ME}>
        <SettingsProvider loading={<p>loading</p>} failed={(error) => <p>{error.message}</p>}>
          <MemoryRouter initialEntries={[at]}>
            <Routes>
              <Route path={pattern} element={<Sending View={View} />} />
              <Route path="*" element={<p>elsewhere</p>} />
            </Routes>
          </MemoryRouter>
        </SettingsProvider>
      </SignedInAs>
    </QueryClientProvider>,
  );
}
