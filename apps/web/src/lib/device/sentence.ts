/** What the server says where it refuses. */
import { errorsWords } from '$words/contract.ts';
import { refusalAnswer } from '../contract/answers.ts';
import { inText } from '../contract/read.ts';

/** The sentence in an error answer of the server. */
export async function sentence(response: Response): Promise<string> {
  const body = await response.text();
  const answer = inText(refusalAnswer, body);
  return answer ? (answer.message ?? errorsWords.unexpected) : body || errorsWords.unexpected;
}
