using System.Net;

namespace Kostel.Server.Http;

/// <summary>A page of a few words, for when the program itself is not shown.</summary>
internal static class PlainPage
{
    /// <summary>The page's HTML.</summary>
    public static string Of(string title, string words, string nonce) => $$"""
        <!doctype html><html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>Kostel</title>
        <style nonce="{{nonce}}">
        :root { color-scheme: light dark; --ground: #eef2f2; --ink: #14242b; }
        @media (prefers-color-scheme: dark) { :root { --ground: #10191e; --ink: #dfe7e8; } }
        body { background: var(--ground); color: var(--ink); font: 1.1rem/1.6 Georgia, serif; margin: 18vh auto 0; max-width: 34rem; padding: 0 1.5rem; }
        h1 { font-size: 1.5rem; font-weight: 500; }
        </style></head><body><main><h1>{{WebUtility.HtmlEncode(title)}}</h1><p>{{WebUtility.HtmlEncode(words)}}</p></main></body></html>
        """;
}
