import { api } from "./client";

/** Whether this page is one for phones in the house: the lists, and nothing else. */
export const isHouse = location.pathname === "/house" || location.pathname.startsWith("/house/");

const key = "house-token";

/** What a phone shows from the moment it was let in. */
export const keepToken = (token: string) => localStorage.setItem(key, token);

if (isHouse)
  api.use({
    onRequest: ({ request }) => {
      const token = localStorage.getItem(key);
      if (token) request.headers.set("Authorization", `Bearer ${token}`);
      return request;
    },
  });
