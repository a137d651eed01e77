import { bad, type Result } from "@/core/contents";
import { records, type Records } from "@/records/database";

/** Answers with a service's result: 200 with the value, 422 with the issues. What breaks inside stays inside. */
export async function answerTo(request: Request, work: (db: Records, body: unknown) => Result<unknown>): Promise<Response> {
  const refused = foreign(request);
  if (refused) return refused;
  let body: unknown;
  try {
    body = await request.json();
  } catch {
    return respond(bad({ path: "", code: "not-json", received: "the request", expected: "send JSON" }));
  }
  try {
    return respond(work(records(), body));
  } catch (error) {
    console.error(error);
    const problem = bad({
      path: "",
      code: "conflict",
      received: "this could not be kept",
      expected: "nothing was changed; try again",
    });
    return Response.json(problem, { status: 500 });
  }
}

const respond = (result: Result<unknown>) => Response.json(result, { status: result.ok ? 200 : 422 });

/** A page of another site must not write here through someone's browser. */
function foreign(request: Request): Response | undefined {
  const origin = request.headers.get("origin");
  const own = origin === null || hostOf(origin) === request.headers.get("host");
  if (own && request.headers.get("content-type")?.startsWith("application/json")) return undefined;
  return Response.json(
    bad({ path: "", code: "conflict", received: "a request from elsewhere", expected: "use this app's own pages" }),
    { status: 403 },
  );
}

const hostOf = (origin: string) => (URL.canParse(origin) ? new URL(origin).host : "");
