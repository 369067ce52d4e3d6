import 'server-only';
import { ProblemError } from '@/server/problem-error';

/** A route's answer; what a verb refuses becomes 403 with its reason. */
export async function answerOrRefusal(answer: () => Promise<Response>): Promise<Response> {
  try {
    return await answer();
  } catch (error) {
    if (error instanceof ProblemError) return new Response(error.problem.why, { status: 403 });
    throw error;
  }
}
