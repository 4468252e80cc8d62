/**
 * Asks for something that tells how far it has come, and hears that only until the answer is there: from a worker the two come
 * by channels of their own, of which either may be the faster.
 */
export async function untilAnswered<News, Answer>(
  ask: (tell: (news: News) => void) => Promise<Answer>,
  hear: (news: News) => void,
): Promise<Answer> {
  let answered = false;
  try {
    return await ask((news) => {
      if (!answered) hear(news);
    });
  } finally {
    answered = true;
  }
}
