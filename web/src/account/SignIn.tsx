import { Inline } from "../kit/pieces";
import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { ApiError, api, data, keepToken } from "../api/client";
import { Mark } from "../frame/Mark";

/** Sign-in; at the first start it asks for the first account instead. */
export function SignIn({ firstStart }: { firstStart: boolean }) {
  const [fields, setFields] = useState({ name: "", email: "", password: "" });
  const queries = useQueryClient();
  const enter = useMutation({
    mutationFn: () =>
      firstStart
        ? data(api.POST("/accounts", { body: fields }))
        : data(api.POST("/session", { body: { email: fields.email, password: fields.password } })),
    onSuccess: (session) => {
      keepToken(session.csrf_token);
      queries.setQueryData(["session"], session);
    },
  });
  const error = enter.error instanceof ApiError ? enter.error : undefined;
  const submit = (event: FormEvent) => {
    event.preventDefault();
    enter.mutate();
  };
  const field = (name: "name" | "email" | "password", label: string, type: string, complete: string) => (
    <TextField
      label={label}
      type={type}
      autoComplete={complete}
      value={fields[name]}
      required
      error={!!error?.forField(name)}
      helperText={error?.forField(name)}
      onChange={(event) => setFields({ ...fields, [name]: event.target.value })}
    />
  );

  return (
    <Box component="main" sx={{ minHeight: "100vh", display: "grid", placeItems: "center" }}>
      <Box component="form" onSubmit={submit} noValidate sx={{ width: 360, display: "grid", gap: 2 }}>
        <Inline gap={1.5}>
          <Mark size={34} />
          <Typography component="h1" sx={{ fontSize: 28, fontWeight: 650 }}>
            Iron Trellis
          </Typography>
        </Inline>
        <Typography color="textSecondary">
          {firstStart
            ? "Nobody has an account here yet. Make the first one; it is yours."
            : "Which important pages don’t get into the index, and what stops each one."}
        </Typography>
        {firstStart && field("name", "Your name", "text", "name")}
        {field("email", "E-mail", "email", "username")}
        {field("password", "Password", "password", firstStart ? "new-password" : "current-password")}
        {error && !error.problem?.problems && <Alert severity="error">{error.message}</Alert>}
        <Button type="submit" variant="contained" size="medium" disabled={enter.isPending}>
          {firstStart ? "Make the account" : "Sign in"}
        </Button>
      </Box>
    </Box>
  );
}
