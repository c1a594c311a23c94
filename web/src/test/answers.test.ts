import Ajv from "ajv/dist/2020";
import { expect, it } from "vitest";
import openapi from "../../../docs/openapi.json";
import bleeding from "./answers/bleeding.json";
import catalogue from "./answers/catalogue.json";
import proving from "./answers/proving.json";
import test from "./answers/test.json";
import tracing from "./answers/tracing.json";

/** Formats and OpenAPI's own words are not looked at. */
const ajv = new Ajv({ strict: false, validateFormats: false });
ajv.addSchema(openapi, "openapi");

it.each([
  ["JobView", tracing],
  ["JobView", bleeding],
  ["JobView", proving],
  ["TestView", test],
  ["CatalogueView", catalogue],
])("what the tests of pages take for a %s is one", (schema, answer) => {
  const fits = ajv.validate({ $ref: `openapi#/components/schemas/${schema}` }, answer);
  expect(ajv.errors ?? []).toEqual([]);
  expect(fits).toBe(true);
});
