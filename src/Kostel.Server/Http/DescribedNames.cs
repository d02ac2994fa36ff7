using System.Text.Json.Nodes;
using Kostel.Core.Text;
using Microsoft.AspNetCore.OpenApi;
using Microsoft.OpenApi;

namespace Kostel.Server.Http;

/// <summary>Names the choices in the OpenAPI document, which cannot look into <see cref="StrictNames"/>.</summary>
internal static class DescribedNames
{
    public static Task Describe(OpenApiSchema schema, OpenApiSchemaTransformerContext context, CancellationToken cancel)
    {
        var type = Nullable.GetUnderlyingType(context.JsonTypeInfo.Type) ?? context.JsonTypeInfo.Type;
        if (type.IsEnum)
        {
            schema.Enum = Names(type);
        }

        // Of a list that can be left out the document does not tell of itself what it holds.
        if (schema is { Items: null, Type: { } kind } && kind.HasFlag(JsonSchemaType.Array) && context.JsonTypeInfo.ElementType is { IsEnum: true } element)
        {
            schema.Items = new OpenApiSchema { Type = JsonSchemaType.String, Enum = Names(element) };
        }

        return Task.CompletedTask;
    }

    private static List<JsonNode> Names(Type type) => Enum.GetNames(type).Select(n => (JsonNode)StrictNames.Name(n)).ToList();
}
